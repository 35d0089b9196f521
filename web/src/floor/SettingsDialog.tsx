import { Dialog } from "../shared/Dialog";
import { type Settings, set, useLanguage, useSettings } from "../shared/settings";
import { useLanguages, useSay } from "../shared/texts";

const SIZES: { size: Settings["size"]; name: string }[] = [
  { size: "normal", name: "Normal text" },
  { size: "large", name: "Large text" },
  { size: "largest", name: "Largest text" },
];

/** Language, text size, hand, sound: of this device. */
export function SettingsDialog({ onClose }: { onClose: () => void }) {
  const now = useSettings();
  const language = useLanguage();
  const say = useSay();
  const languages = useLanguages();
  const all = [{ code: "en", name: "English" }, ...(languages.data ?? [])];
  return (
    <Dialog title={say("Language and text size")} onClose={onClose} dark>
      <div className="pad-grid settings">
        {all.map((l) => (
          <Choice
            key={l.code}
            on={language === l.code}
            onPick={() => set({ language: l.code })}
            lang={l.code}
          >
            {l.name}
          </Choice>
        ))}
        {SIZES.map((s) => (
          <Choice key={s.size} on={now.size === s.size} onPick={() => set({ size: s.size })}>
            {say(s.name)}
          </Choice>
        ))}
        <Choice on={now.left} onPick={() => set({ left: !now.left })}>
          {say("Left hand")}
        </Choice>
        <Choice on={now.sound} onPick={() => set({ sound: !now.sound })}>
          {say("Sound when a time is up")}
        </Choice>
        <Choice on={now.vibrate} onPick={() => set({ vibrate: !now.vibrate })}>
          {say("Vibration when a time is up")}
        </Choice>
      </div>
      <div className="pad-grid">
        <button className="floor-btn" type="button" onClick={onClose}>
          {say("Back to the step")}
        </button>
      </div>
    </Dialog>
  );
}

type ChoiceProps = { on: boolean; onPick: () => void; lang?: string; children: string };

function Choice({ on, onPick, lang, children }: ChoiceProps) {
  return (
    <button
      className={`piece${on ? " tapped" : ""}`}
      type="button"
      aria-pressed={on}
      lang={lang}
      onClick={onPick}
    >
      {on ? "✓ " : ""}
      {children}
    </button>
  );
}

import { Dialog } from "../shared/Dialog";
import { say } from "../shared/say";
import { measureIn, type Settings, set, useLanguage, useSettings } from "../shared/settings";
import { told, useLanguages } from "../shared/texts";

const SIZES: { size: Settings["size"]; name: string }[] = [
  { size: "normal", name: say("floor.settings-dialog.normal-text", "Normal text") },
  { size: "large", name: say("floor.settings-dialog.large-text", "Large text") },
  { size: "largest", name: say("floor.settings-dialog.largest-text", "Largest text") },
];

/** Language, text size, hand, sound: of this device. */
export function SettingsDialog({ onClose }: { onClose: () => void }) {
  const now = useSettings();
  const language = useLanguage();
  const languages = useLanguages();
  const all = [
    { code: "en", name: say("floor.settings-dialog.english", "English") },
    ...(languages.data ?? []),
  ];
  return (
    <Dialog
      title={say("floor.settings-dialog.language-and-text-size", "Language and text size")}
      onClose={onClose}
      dark
    >
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
            {told(s.name)}
          </Choice>
        ))}
        <Choice on={now.volumes === "gal"} onPick={() => measureIn(now.volumes === "gal" ? "L" : "gal")}>
          {say("floor.settings-dialog.gallons", "Gallons, fl oz, ppm")}
        </Choice>
        <Choice on={now.left} onPick={() => set({ left: !now.left })}>
          {say("floor.settings-dialog.left-hand", "Left hand")}
        </Choice>
        <Choice on={now.sound} onPick={() => set({ sound: !now.sound })}>
          {say("floor.settings-dialog.sound-when-a-time-is-up", "Sound when a time is up")}
        </Choice>
        <Choice on={now.vibrate} onPick={() => set({ vibrate: !now.vibrate })}>
          {say("floor.settings-dialog.vibration-when-a-time-is-up", "Vibration when a time is up")}
        </Choice>
      </div>
      <div className="pad-grid">
        <button className="floor-btn" type="button" onClick={onClose}>
          {say("floor.settings-dialog.back-to-the-step", "Back to the step")}
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

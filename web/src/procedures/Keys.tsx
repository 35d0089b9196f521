import { Dialog } from "../shared/Dialog";
import { say } from "../shared/say";

const KEYS: [string, string][] = [
  ["↑ ↓", say("procedures.keys.walk-from-step-to-step", "walk from step to step")],
  ["Enter", say("procedures.keys.edit-the-step", "edit the step")],
  ["n", say("procedures.keys.new-step-after-this-one", "new step after this one")],
  [say("procedures.keys.alt", "Alt ↑ ↓"), say("procedures.keys.move-the-step", "move the step")],
  ["Delete", say("procedures.keys.delete-the-step", "delete the step")],
  [say("procedures.keys.ctrl-z-ctrl-y", "Ctrl Z, Ctrl Y"), say("procedures.keys.undo-redo", "undo, redo")],
  [
    say("procedures.keys.f-shift-f", "f, Shift f"),
    say("procedures.keys.next-previous-finding", "next, previous finding"),
  ],
  ["p", say("procedures.keys.only-what-has-a-finding-all", "only what has a finding, all")],
  [say("procedures.keys.ctrl-s", "Ctrl S"), "save"],
  [".", say("procedures.keys.search-or-run-any-command-insert", "search or run any command; insert a step")],
  ["drag", say("procedures.keys.move-a-step", "move a step")],
  ["?", say("procedures.keys.this-list", "this list")],
];

export function Keys({ onClose }: { onClose: () => void }) {
  return (
    <Dialog title={say("procedures.keys.keys", "Keys")} onClose={onClose}>
      <dl className="keys">
        {KEYS.map(([k, what]) => (
          <div key={k}>
            <dt>{k}</dt>
            <dd>{what}</dd>
          </div>
        ))}
      </dl>
      <button className="btn" type="button" onClick={onClose}>
        {say("procedures.keys.close", "Close")}
      </button>
    </Dialog>
  );
}

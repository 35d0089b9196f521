import { Dialog } from "../shared/Dialog";

const KEYS: [string, string][] = [
  ["↑ ↓", "walk from step to step"],
  ["Enter", "edit the step"],
  ["n", "new step after this one"],
  ["Alt ↑ ↓", "move the step"],
  ["Delete", "delete the step"],
  ["Ctrl Z, Ctrl Y", "undo, redo"],
  ["f, Shift f", "next, previous finding"],
  ["p", "only what has a finding, all"],
  ["Ctrl S", "save"],
  [".", "search or run any command; insert a step"],
  ["drag", "move a step"],
  ["?", "this list"],
];

export function Keys({ onClose }: { onClose: () => void }) {
  return (
    <Dialog title="Keys" onClose={onClose}>
      <dl className="keys">
        {KEYS.map(([k, what]) => (
          <div key={k}>
            <dt>{k}</dt>
            <dd>{what}</dd>
          </div>
        ))}
      </dl>
      <button className="btn" type="button" onClick={onClose}>
        Close
      </button>
    </Dialog>
  );
}

import { useState } from "react";
import { Dialog } from "./Dialog";

type Props = { prints: [string, string][] };

/** What can be printed, in the size of paper that is in the printer. */
export function PrintMenu({ prints }: Props) {
  const [open, setOpen] = useState(false);
  const [paper, setPaper] = useState("A4");
  return (
    <>
      <button type="button" className="btn" onClick={() => setOpen(true)}>
        Print…
      </button>
      {open && (
        <Dialog title="Print" onClose={() => setOpen(false)}>
          <fieldset className="paper">
            <legend>Paper</legend>
            {["A4", "letter"].map((p) => (
              <label key={p}>
                <input type="radio" name="paper" checked={paper === p} onChange={() => setPaper(p)} /> {p}
              </label>
            ))}
          </fieldset>
          <ul className="prints">
            {prints.map(([name, path]) => (
              <li key={path}>
                <a className="btn" href={`${path}?paper=${paper}`} target="_blank" rel="noreferrer">
                  {name}
                </a>
              </li>
            ))}
          </ul>
          <button className="btn" type="button" onClick={() => setOpen(false)}>
            Close
          </button>
        </Dialog>
      )}
    </>
  );
}

import { useState } from "react";
import { Dialog } from "./Dialog";
import { say } from "./say";
import { useSite } from "./session";
import { useLanguages } from "./texts";

type Props = { prints: [string, string][]; languages?: boolean };

/** What can be printed, in the size of paper that is in the printer. */
export function PrintMenu({ prints, languages }: Props) {
  const [open, setOpen] = useState(false);
  const [paper, setPaper] = useState("A4");
  const known = useLanguages().data ?? [];
  const site = useSite().data?.ways.language;
  const [picked, pick] = useState<string | null>(null);
  const other = languages ? (picked ?? (site === "en" ? "" : (site ?? ""))) : "";
  return (
    <>
      <button type="button" className="btn" onClick={() => setOpen(true)}>
        {say("shared.print-menu.print", "Print…")}
      </button>
      {open && (
        <Dialog title={say("shared.print-menu.print-2", "Print")} onClose={() => setOpen(false)}>
          <fieldset className="paper">
            <legend>{say("shared.print-menu.paper", "Paper")}</legend>
            {["A4", "letter"].map((p) => (
              <label key={p}>
                <input type="radio" name="paper" checked={paper === p} onChange={() => setPaper(p)} /> {p}
              </label>
            ))}
          </fieldset>
          {languages && known.length > 0 && (
            <fieldset className="paper">
              <legend>{say("shared.print-menu.language-of-the-crew", "Language of the crew")}</legend>
              {other && (
                <p className="quiet">
                  {say(
                    "shared.print-menu.where-it-stands",
                    "Step cards have it beside the English; everything else is printed in it. What was approved is the English text, and a translation says so.",
                  )}
                </p>
              )}
              {[{ code: "", name: "English" }, ...known].map((l) => (
                <label key={l.code}>
                  <input type="radio" name="with" checked={other === l.code} onChange={() => pick(l.code)} />{" "}
                  {l.name}
                </label>
              ))}
            </fieldset>
          )}
          <ul className="prints">
            {prints.map(([name, path]) => (
              <li key={path}>
                <a
                  className="btn"
                  href={`${path}?paper=${paper}${other && `&with=${other}&in=${other}`}`}
                  target="_blank"
                  rel="noreferrer"
                >
                  {name}
                </a>
              </li>
            ))}
          </ul>
          <button className="btn" type="button" onClick={() => setOpen(false)}>
            {say("shared.print-menu.close", "Close")}
          </button>
        </Dialog>
      )}
    </>
  );
}

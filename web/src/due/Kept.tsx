import { useState } from "react";
import type { Made } from "../round/core";
import { productKept } from "../round/entries";
import { tabletNow } from "../round/outbox";
import { say } from "../shared/say";
import { MachineOptions } from "./MachineOptions";

const HOUR = 3_600_000;
const MOST = 168;

type Props = { machines: string[]; write: (made: Made) => void };

/** Product is taken out of a machine and kept: what, in what, for how long. */
export function Kept({ machines, write }: Props) {
  const [machine, setMachine] = useState("");
  const [what, setWhat] = useState("");
  const [place, setPlace] = useState("");
  const [hours, setHours] = useState("");
  const h = Number(hours.replace(",", "."));
  const wrong = hours.trim() !== "" && !(h > 0 && h <= MOST);
  return (
    <details className="due-kept">
      <summary>{say("due.kept.keep", "Keep product out of a machine")}</summary>
      <form
        onSubmit={(e) => {
          e.preventDefault();
          write(productKept(machine, what, place, hours.trim() === "" ? undefined : tabletNow() + h * HOUR));
          setWhat("");
          setPlace("");
          setHours("");
        }}
      >
        <label>
          {say("due.kept.machine", "Machine")}
          <select required value={machine} onChange={(e) => setMachine(e.currentTarget.value)}>
            <option value="">{say("due.kept.choose", "choose")}</option>
            <MachineOptions machines={machines} />
          </select>
        </label>
        <label>
          {say("due.kept.what", "What is kept")}
          <input required maxLength={80} value={what} onChange={(e) => setWhat(e.currentTarget.value)} />
        </label>
        <label>
          {say("due.kept.place", "In what, and where")}
          <input required maxLength={80} value={place} onChange={(e) => setPlace(e.currentTarget.value)} />
        </label>
        <label>
          {say("due.kept.hours", "For how many hours")}
          <input
            inputMode="decimal"
            aria-invalid={wrong}
            value={hours}
            onChange={(e) => setHours(e.currentTarget.value)}
          />
        </label>
        {wrong && (
          <p className="note stop" role="alert">
            {say("due.kept.range", "For how many hours: above 0, up to {0}.", MOST)}
          </p>
        )}
        <p className="quiet">
          {say(
            "due.kept.cold",
            "At most 5 °C, covered, with a label. Without a time it counts as over: nobody would know until when.",
          )}
        </p>
        <button className="btn" type="submit" disabled={wrong}>
          {say("due.kept.it-is-kept", "It is kept")}
        </button>
      </form>
    </details>
  );
}

import { useState } from "react";
import type { Schemas } from "../api/client";
import type { Made } from "../round/core";
import * as enter from "../round/entries";
import { tabletNow } from "../round/outbox";
import { say } from "../shared/say";
import { useClock } from "../shared/session";
import { Listed } from "./Listed";

type Plate = Schemas["PlateOfMachine"];
type Props = { plates: Plate[]; write: ((made: Made) => void) | undefined };

const both = (type?: string, serial?: string) => [type, serial].filter(Boolean).join(", ");

/** The plate of each machine, as its sheet has it and as it was read: a sheet of another variant cleans it wrong. */
export function Plates({ plates, write }: Props) {
  return (
    <Listed
      title={say("due.plates.title", "Data plates")}
      none={say("due.plates.none", "No sheet says what stands on a data plate.")}
      all={plates}
    >
      {(p) => <One key={p.machine} plate={p} write={write} />}
    </Listed>
  );
}

function One({ plate: p, write }: { plate: Plate; write: Props["write"] }) {
  const clock = useClock();
  const [type, setType] = useState("");
  const [serial, setSerial] = useState("");
  return (
    <li className={p.differs || p.twin ? "off" : ""}>
      <span>
        <strong>{p.machine}</strong>{" "}
        {p.type === undefined
          ? say("due.plates.not-on-the-sheet", "the sheet has no data plate")
          : both(p.type, p.serial)}
      </span>
      <span>
        {p.readType === undefined
          ? say("due.plates.nobody", "nobody has compared it")
          : p.differs
            ? say("due.plates.differs", "differs: it reads {0}", both(p.readType, p.readSerial))
            : say("due.plates.agrees", "agrees")}
        <small>
          {p.at !== undefined && say("due.plates.read", "read on {0} by {1}", clock.day(p.at), p.who ?? "")}
        </small>
        {p.differs && (
          <small className="note fix">
            {say(
              "due.plates.other-machine",
              "What is written for it may be of another machine. Compare the sheet before it is cleaned by it.",
            )}
          </small>
        )}
        {p.twin && (
          <small className="note fix">
            {say("due.plates.twin", "The sheet of {0} has the same plate. One of the two is wrong.", p.twin)}
          </small>
        )}
      </span>
      {write && (
        <form
          onSubmit={(e) => {
            e.preventDefault();
            write(enter.plateRead(p.machine, type.trim(), serial.trim(), tabletNow()));
            setType("");
            setSerial("");
          }}
        >
          <label>
            {say("due.plates.type", "Type as stamped")}
            <span className="sr-only"> {p.machine}</span>
            <input value={type} onChange={(e) => setType(e.currentTarget.value)} />
          </label>
          <label>
            {say("due.plates.serial", "Serial number")}
            <input value={serial} onChange={(e) => setSerial(e.currentTarget.value)} />
          </label>
          <button className="btn small" type="submit" disabled={type.trim() === ""}>
            {say("due.parts.enter", "Enter")}
          </button>
        </form>
      )}
    </li>
  );
}

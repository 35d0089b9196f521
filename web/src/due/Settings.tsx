import { useState } from "react";
import type { Schemas } from "../api/client";
import type { Made } from "../round/core";
import * as enter from "../round/entries";
import { tabletNow } from "../round/outbox";
import { say } from "../shared/say";
import { useClock } from "../shared/session";
import { told } from "../shared/texts";
import { Listed } from "./Listed";
import { figure } from "./words";

type Setting = Schemas["MachineSetting"];
type Props = {
  settings: Setting[];
  write: ((made: Made) => void) | undefined;
  /** Whether whoever is here may let one run so for now. */
  answers: boolean;
};

const DAY = 86_400_000;

/** The settings of the machines as they were read, what is off first. */
export function Settings({ settings, write, answers }: Props) {
  return (
    <Listed
      title={say("due.parts.settings", "Settings of the machines")}
      none={say("due.parts.no-settings", "No sheet names a setting.")}
      all={settings}
    >
      {(s) => <One key={s.machine + s.id} setting={s} write={write} answers={answers} />}
    </Listed>
  );
}

type OneProps = { setting: Setting; write: Props["write"]; answers: boolean };

/** A setting: what was approved, what was read last, and whether the two agree or who lets it run so. */
function One({ setting: s, write, answers }: OneProps) {
  const clock = useClock();
  const [typed, setTyped] = useState("");
  const value = figure(typed);
  const unit = s.unit ? ` ${s.unit}` : "";
  return (
    <li className={s.off ? "off" : ""}>
      <span>
        <strong>{s.machine}</strong> {told(s.name)}
        <small>{s.where && told(s.where)}</small>
      </span>
      <span>
        {say("due.parts.approved", "approved {0}", s.approved)}
        <small>
          {s.read === undefined
            ? say("due.parts.never-read", "nobody has read it")
            : say(
                "due.parts.read",
                "read {0}{1} on {2} by {3}",
                s.read,
                unit,
                clock.day(s.at ?? 0),
                s.who ?? "",
              )}
        </small>
        {s.letRun && (
          <small>
            {s.letRun.ended
              ? say(
                  "due.settings.ended",
                  "{0} let it run at {1} until {2}; that is over.",
                  s.letRun.owner,
                  `${s.letRun.value}${unit}`,
                  clock.day(s.letRun.until),
                )
              : say(
                  "due.settings.let-run",
                  "{0} lets it run at {1} until {2}: {3}",
                  s.letRun.owner,
                  `${s.letRun.value}${unit}`,
                  clock.day(s.letRun.until),
                  s.letRun.why,
                )}
          </small>
        )}
        {s.off && (
          <small className="note fix">
            {say("due.parts.off", "It is off. Set it back, or say who lets it run so and until when.")}
          </small>
        )}
        {s.off && write && answers && <LetRun setting={s} write={write} />}
      </span>
      {write && (
        <form
          onSubmit={(e) => {
            e.preventDefault();
            if (value !== undefined) {
              write(enter.settingRead(s.machine, s.id, value, s.unit ?? "", tabletNow()));
              setTyped("");
            }
          }}
        >
          <label>
            {say("due.parts.now", "{0} reads{1}", told(s.name), unit)}
            <input inputMode="decimal" value={typed} onChange={(e) => setTyped(e.currentTarget.value)} />
          </label>
          <button className="btn small" type="submit" disabled={value === undefined}>
            {say("due.parts.enter", "Enter")}
          </button>
        </form>
      )}
    </li>
  );
}

/** Something is made up for until it is mended: who answers for it, why, and for how many days. */
function LetRun({ setting: s, write }: { setting: Setting; write: (made: Made) => void }) {
  const [owner, setOwner] = useState("");
  const [why, setWhy] = useState("");
  const [days, setDays] = useState("7");
  const n = figure(days);
  const good =
    owner.trim() !== "" && why.trim() !== "" && n !== undefined && n >= 1 && n <= 92 && s.read !== undefined;
  return (
    <details>
      <summary>{say("due.settings.let-it-run", "Let it run so for now…")}</summary>
      <form
        className="let-run"
        onSubmit={(e) => {
          e.preventDefault();
          if (good && n !== undefined) {
            const now = tabletNow();
            write(
              enter.settingLetRun(
                s.machine,
                s.id,
                {
                  value: s.read ?? 0,
                  unit: s.unit ?? "",
                  owner: owner.trim(),
                  why: why.trim(),
                  until: now + n * DAY,
                },
                now,
              ),
            );
          }
        }}
      >
        <label>
          {say("due.settings.owner", "Who answers for it")}
          <input value={owner} onChange={(e) => setOwner(e.currentTarget.value)} />
        </label>
        <label>
          {say("due.settings.why", "What it makes up for")}
          <input value={why} onChange={(e) => setWhy(e.currentTarget.value)} />
        </label>
        <label>
          {say("due.settings.days", "For how many days, 1 to 92")}
          <input inputMode="numeric" value={days} onChange={(e) => setDays(e.currentTarget.value)} />
        </label>
        <button className="btn small" type="submit" disabled={!good}>
          {say("due.settings.write-it-down", "Write it down")}
        </button>
      </form>
    </details>
  );
}

import "./which.css";
import { useState } from "react";
import { Link } from "react-router";
import type { PackStep, State } from "../round/core";
import { solutionUsed } from "../round/entries";
import { say } from "../shared/say";
import { useClock } from "../shared/session";
import { told } from "../shared/texts";
import { labelIn, type Solution, type Standing } from "../solution/shelf";

type Mix = NonNullable<PackStep["mix"]>;
type Props = {
  step: string;
  mix: Mix;
  state: State;
  /** What stands on this site, as this device knows it. */
  solutions: Solution[];
  vesselName: (id: string) => string;
  write: (entry: ReturnType<typeof solutionUsed>) => void;
};

const WHY_NOT: Partial<Record<Standing, (label: string) => string>> = {
  OVER: (label) => say("floor.which.too-old", "Label {0} is too old: mix a new one.", label),
  UNREAD: (label) =>
    say("floor.which.read-first", "Label {0} was corrected and not read since. Read it at the bench.", label),
  OUT: (label) => say("floor.which.poured-out", "Label {0} is poured out.", label),
};

/** Which solution that stands already is used at a step, so that the record says which bucket it was. */
export function Which({ step, mix, state, solutions, vesselName, write }: Props) {
  const clock = useClock();
  const [typed, setTyped] = useState("");
  const [no, setNo] = useState<string | null>(null);
  const used = state.solutions?.[step];
  const taken = solutions.find((s) => s.label === used);
  const tenth = (l: number) => Math.round(l * 10) / 10;
  const until = taken?.until;
  const fit = solutions.filter(
    (s) => s.chemical === mix.product && (s.standing === "FRESH" || s.standing === "SOON") && s.label,
  );
  function take(label: string) {
    const s = solutions.find((x) => x.label === label);
    if (!s) {
      setNo(say("floor.which.unknown", "No solution of this site has the label {0}.", label));
      return;
    }
    if (s.chemical !== mix.product) {
      setNo(say("floor.which.other-product", "Label {0} is another product than this step uses.", label));
      return;
    }
    const why = WHY_NOT[s.standing];
    if (why) {
      setNo(why(label));
      return;
    }
    setNo(null);
    setTyped("");
    write(solutionUsed(step, label, s.chemical, s.until));
  }
  return (
    <section className="which" aria-label={say("floor.which.which-solution", "Which solution")}>
      {used ? (
        <p className="which-used">
          {say("floor.which.used", "With solution {0}", used)}{" "}
          {until !== undefined && (
            <small>{say("floor.which.change-by", "change by {0}", clock.time(until))}</small>
          )}
        </p>
      ) : (
        <p>{say("floor.which.stands-already", "Stands one already? Take it by its label:")}</p>
      )}
      {taken && taken.litres < mix.litres - 0.05 && (
        <p>
          {say(
            "floor.which.less-than-asked",
            "It holds {0} L; this step is written for {1} L.",
            tenth(taken.litres),
            tenth(mix.litres),
          )}
        </p>
      )}
      <div className="which-fit">
        {fit
          .filter((s) => s.label !== used)
          .map((s) => (
            <button key={s.vessel} className="floor-btn" type="button" onClick={() => take(s.label ?? "")}>
              {told(vesselName(s.vessel))}, {say("floor.which.liters", "{0} L", tenth(s.litres))}{" "}
              <strong>{s.label}</strong>
              {s.standing === "SOON" && (
                <small> {say("floor.which.change-by", "change by {0}", clock.time(s.until ?? 0))}</small>
              )}
            </button>
          ))}
        <form
          className="which-typed"
          onSubmit={(e) => {
            e.preventDefault();
            take(labelIn(typed));
          }}
        >
          <label>
            {say("floor.which.scan-or-type", "Scan or type the label")}
            <input
              value={typed}
              maxLength={300}
              autoComplete="off"
              onChange={(e) => setTyped(e.currentTarget.value)}
            />
          </label>
          <button className="floor-btn" type="submit" disabled={typed.trim() === ""}>
            {say("floor.which.take-it", "Take it")}
          </button>
        </form>
      </div>
      {no && (
        <p className="floor-caution" role="alert">
          {no} <Link to="/mixing?show=shelf">{say("floor.which.to-the-shelf", "Solutions on site")}</Link>
        </p>
      )}
    </section>
  );
}

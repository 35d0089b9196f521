import { degrees, say } from "../shared/say";
import { shownIn } from "../shared/temperature";
import type { Checked, Product, Way } from "../solution/table";

const OUTCOME: Record<Checked["outcome"], string> = {
  IN: say("mixing.mend.in-range", "In range: fit for use."),
  OUT: say("mixing.mend.out-of-range", "Out of range: not fit for use."),
  CANNOT_TELL: say("mixing.mend.cant-tell", "Can’t tell: too close to a limit for this instrument."),
};

/** What a reading says, and every way to make the solution right, the best first. */
export function Mend({ checked, product, litres }: { checked: Checked; product: Product; litres: number }) {
  const unit = degrees();
  const round = (x: number) => Math.round(x * 10) / 10;
  const mL = (l: number) => Math.round(l * 1000);
  const words = (w: Way): string =>
    w.kind === "ADD"
      ? say("mixing.mend.add", "Add {0} mL of {1} to the {2} L", mL(w.litres), product.name, litres)
      : w.kind === "DRAIN_AND_ADD"
        ? say(
            "mixing.mend.drain-and-add",
            "Drain {0} mL, then add {1} mL of {2}",
            mL(w.drained),
            mL(w.litres),
            product.name,
          )
        : w.kind === "WATER"
          ? say("mixing.mend.water", "Add {0} L of water", w.litres)
          : w.kind === "DRAIN_AND_FILL"
            ? say("mixing.mend.drain-and-fill", "Drain {0} L and fill with water", w.drained)
            : w.kind === "WARM"
              ? say("mixing.mend.warm", "Warm it to {0} {1}", shownIn(unit, w.celsius ?? 0), unit)
              : say("mixing.mend.start-again", "Start again: pour it out and mix anew");
  return (
    <>
      <p className={`note ${checked.outcome === "IN" ? "done" : "stop"}`}>
        <strong>{OUTCOME[checked.outcome]}</strong>{" "}
        {checked.least !== undefined
          ? say(
              "mixing.mend.at-this-temperature",
              "It means {0} to {1} mg/L; at this temperature {2} to {3} mg/L are permitted.",
              round(checked.low),
              checked.high === undefined ? "…" : round(checked.high),
              checked.least,
              checked.most,
            )
          : say("mixing.mend.too-cold", "At this temperature no strength is enough.")}
      </p>
      {checked.ways.length > 0 && (
        <ol className="ways">
          {checked.ways.map((w, i) => (
            <li key={w.kind} className={i === 0 ? "first" : ""}>
              <span>{words(w)}</span>
              {w.low !== undefined && (
                <small>
                  {w.sure
                    ? say("mixing.mend.after", "then {0} to {1} mg/L", round(w.low), round(w.high ?? 0))
                    : say(
                        "mixing.mend.after-unsure",
                        "then {0} to {1} mg/L: not sure, read it with a finer one",
                        round(w.low),
                        round(w.high ?? 0),
                      )}
                </small>
              )}
            </li>
          ))}
        </ol>
      )}
    </>
  );
}

import { useMutation, useQuery } from "@tanstack/react-query";
import { api, type Schemas, unwrap } from "../api/client";
import { keys } from "../shared/keys";
import { say } from "../shared/say";
import { told } from "../shared/texts";

type Meter = Schemas["MeterView"];
type Props = {
  fits: (m: Meter) => boolean;
  /** What it should show, for the stand-in to be near. */
  near: number;
  desk?: boolean;
  /** It is held to a standard, which is what it says. */
  standard?: boolean;
  onRead: (value: number) => void;
};

/** Takes a value from a meter of the site instead of typing it. The ones that ship are simulated and say so. */
export function FromMeter({ fits, near, desk = false, standard, onRead }: Props) {
  const all = useQuery({ queryKey: keys.instruments(), queryFn: () => unwrap(api.GET("/api/instruments")) });
  const read = useMutation({
    mutationFn: (id: string) =>
      unwrap(
        api.POST("/api/instruments/{id}/readings", { params: { path: { id }, query: { near, standard } } }),
      ),
    onSuccess: (r) => {
      if (r.value !== undefined) {
        onRead(r.value);
      }
    },
  });
  const meters = (all.data ?? []).filter(fits);
  if (meters.length === 0) {
    return null;
  }
  return (
    <div className="from-meter">
      {meters.map((m) => (
        <button
          key={m.id}
          className={desk ? "btn" : "floor-btn"}
          type="button"
          disabled={read.isPending}
          onClick={() => read.mutate(m.id)}
        >
          {say("round.from-meter.read-simulated", "Read {0} (simulated)", told(m.name))}
          {m.due && ` – ${say("round.from-meter.calibration-overdue", "calibration overdue")}`}
        </button>
      ))}
      <p aria-live="polite">
        {read.isError
          ? say(
              "round.from-meter.the-meter-cannot-be-reached-now",
              "The meter cannot be reached now: type what it shows.",
            )
          : read.data && read.data.value === undefined
            ? say(
                "round.from-meter.it-shows-nothing-that-can-be",
                "It shows nothing that can be read: try another, or type what it shows.",
              )
            : ""}
      </p>
    </div>
  );
}

/** Which meter measures in a unit. */
export const METER_OF: Record<string, Meter["kind"]> = {
  "°C": "THERMOMETER",
  pH: "PH_PEN",
  "L/min": "FLOW",
  bar: "PRESSURE",
  "mS/cm": "CONDUCTIVITY",
};

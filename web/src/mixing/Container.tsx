import { NumberInput } from "@mantine/core";
import { useState } from "react";
import { containerOpened } from "../round/entries";
import { degrees, say } from "../shared/say";
import { useClock } from "../shared/session";
import { celsiusOf, shownIn } from "../shared/temperature";
import type { Container as Opened } from "../solution/container";
import type { Product } from "../solution/table";

const USUAL = 20;

type Props = {
  product: Product;
  opened?: Opened;
  /** Absent for whoever may not say. */
  write?: (made: ReturnType<typeof containerOpened>) => void;
};

/** From which container is poured: how old it is says how strong it still is. */
export function Container({ product, opened, write }: Props) {
  const clock = useClock();
  const unit = degrees();
  const [asking, setAsking] = useState(false);
  const [delivered, setDelivered] = useState("");
  const [celsius, setCelsius] = useState(opened?.celsius ?? USUAL);
  const at = delivered === "" ? Number.NaN : Date.parse(`${delivered}T12:00`);
  return (
    <div className="container-of">
      <p className={opened?.tooOld ? "note stop" : "quiet"}>
        {!opened
          ? say("mixing.container.unknown", "When was this container delivered? Then its age counts.")
          : opened.tooOld
            ? say(
                "mixing.container.too-old",
                "This container came {0} and may be used for {1} days. Open another one.",
                clock.day(opened.delivered),
                product.shelfLifeDays,
              )
            : say(
                "mixing.container.about",
                "Delivered {0}, kept at {1} {2}: about {3} % left by its age.",
                clock.day(opened.delivered),
                shownIn(unit, opened.celsius),
                unit,
                opened.percent,
              )}{" "}
        {write && !asking && (
          <button className="btn small" type="button" onClick={() => setAsking(true)}>
            {opened
              ? say("mixing.container.another", "Another container")
              : say("mixing.container.say-when", "Say when")}
          </button>
        )}
      </p>
      {write && asking && (
        <form
          className="container-form"
          onSubmit={(e) => {
            e.preventDefault();
            write(containerOpened(product.id, at, celsius));
            setAsking(false);
          }}
        >
          <label>
            {say("mixing.container.delivered", "Delivered on")}
            <input
              type="date"
              required
              value={delivered}
              onChange={(e) => setDelivered(e.currentTarget.value)}
            />
          </label>
          <NumberInput
            label={say("mixing.container.kept-at", "Kept at, {0}", unit)}
            value={shownIn(unit, celsius)}
            onChange={(v) => typeof v === "number" && setCelsius(celsiusOf(unit, v))}
          />
          <button className="btn small" type="submit" disabled={Number.isNaN(at)}>
            {say("mixing.container.write-down", "Write it down")}
          </button>
          <button className="btn small" type="button" onClick={() => setAsking(false)}>
            {say("mixing.container.leave", "Leave it as it is")}
          </button>
        </form>
      )}
    </div>
  );
}

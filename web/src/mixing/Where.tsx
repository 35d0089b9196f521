import type { ReactNode } from "react";
import { say } from "../shared/say";
import { sentence, told } from "../shared/texts";
import type { Card, Checked, Table } from "../solution/table";
import { type Asked, aimFor, fadeWords, jobOf } from "./asked";
import { Ground } from "./Ground";
import type { Put } from "./useAsked";
import { useHand } from "./useHand";

type Props = {
  table: Table;
  asked: Asked;
  /** The share it loses an hour; absent where nobody has read it twice. */
  fade?: number;
  /** A reading, and how warm it was. */
  checked?: Checked;
  readCelsius: number;
  put: Put;
  children: ReactNode;
};

/** The map, which follows the hand by itself: what to pour is computed once there is time. */
export function Where({ table, asked, fade, checked, readCelsius, put, children }: Props) {
  const { product, by, hold } = asked;
  const [aim, move] = useHand({ wanted: asked.wanted, celsius: asked.celsius }, (to) =>
    put({ aim: to.wanted ?? null, t: to.celsius }),
  );
  const mixed = table.mix({
    ...jobOf(asked, table.pack, fade),
    celsius: aim.celsius,
    wanted: aimFor(product, aim.wanted),
  });
  const card = mixed.outside === undefined ? (mixed as Card) : undefined;
  return (
    <section className="mixing-middle" aria-label={say("mixing.mixing.where-it-stands", "Where it stands")}>
      <h1>{say("mixing.mixing.where-this-solution-stands", "Where this solution stands")}</h1>
      {card && product.sanitizes && card.bands.length > 0 ? (
        <>
          <p className="quiet">
            {say(
              "mixing.mixing.ground-says",
              "Pale ground: permitted for {0} s of wet contact. Inner field: a reading with {1} decides there. Drag the aim.",
              card.contactSeconds ?? "–",
              told(by?.name ?? "–"),
            )}
          </p>
          <Ground
            card={card}
            celsius={aim.celsius ?? asked.celsius}
            checked={checked}
            readCelsius={readCelsius}
            way={checked?.ways[0]}
            hours={hoursAhead(card.then, fade, hold)}
            what={WHAT[product.kind] ?? product.name}
            onPick={(mg, c, dragging) => move({ wanted: mg, celsius: c }, dragging)}
          />
          {card.why && <p>{sentence(card.why)}</p>}
          {hold > 0 && <p className="quiet">{fadeWords(fade)}</p>}
        </>
      ) : (
        card?.why && <p className="mixing-words">{sentence(card.why)}</p>
      )}
      {children}
    </section>
  );
}

const WHAT: Record<string, string> = {
  CHLORINE: say("mixing.mixing.free-chlorine", "free chlorine"),
  QUAT: say("mixing.mixing.active-quat", "active quat"),
  PAA: say("mixing.mixing.peracetic-acid", "peracetic acid"),
  IODINE: say("mixing.mixing.titratable-iodine", "titratable iodine"),
};

/** How strong it still is after each hour that it has to last; none where nobody knows how fast it fades. */
export const hoursAhead = (mgPerL: number | undefined, fade: number | undefined, hold: number): number[] =>
  mgPerL === undefined || fade === undefined
    ? []
    : Array.from({ length: Math.ceil(hold) }, (_, i) => mgPerL * Math.exp(-fade * Math.min(hold, i + 1)));

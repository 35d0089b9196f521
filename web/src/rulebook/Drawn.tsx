import { useQuery } from "@tanstack/react-query";
import type { ReactNode } from "react";
import { api, type Schemas, unwrap } from "../api/client";
import { keys } from "../shared/keys";
import { inUnits, say } from "../shared/say";
import "./drawn.css";

type Figure = Schemas["FigureView"];

/** A figure as it stands in the drawing; whoever may, changes it there. */
export type Shown = (id: string) => ReactNode;

type Props = { figures: Figure[]; shown: Shown };

/** The warmest that is drawn: no sanitizer of these is used hotter. */
const WARMEST = 60;
const WIDE = 270;
const HIGH = 130;
const LEFT = 34;
const BOTTOM = 18;

type Kind = {
  kind: string;
  name: string;
  /** Strength from which on a temperature is enough, weakest first. */
  rows: { from: number; warm: number }[];
  /** The same where the solution is less acid. */
  alkaline?: { from: number; warm: number }[];
  /** Up to which pH each of the two holds, with the end of its figures' ids. */
  ph: [number, string][];
  most: number;
  /** Figures beside the field, each with what it is here in a word or two. */
  figures: [word: string, id: string][];
  says: string;
};

const value = (figures: Figure[], id: string) => figures.find((f) => f.id === id)?.value ?? 0;

function chlorineRows(figures: Figure[], ph: "ph-8" | "ph-10") {
  return [1, 2, 3].map((row) => ({
    from: value(figures, `chlorine.row-${row}.least-strength`),
    warm: value(figures, `chlorine.row-${row}.least-temperature.${ph}`),
  }));
}

function kinds(figures: Figure[]): Kind[] {
  const v = (id: string) => value(figures, id);
  return [
    {
      kind: "chlorine",
      name: say("rulebook.drawn.chlorine", "Chlorine"),
      rows: chlorineRows(figures, "ph-8"),
      alkaline: chlorineRows(figures, "ph-10"),
      ph: [
        [v("chlorine.ph.narrow"), "ph-8"],
        [v("chlorine.ph.wide"), "ph-10"],
      ],
      most: v("chlorine.ceiling"),
      figures: [
        [say("rulebook.drawn.at-most", "at most"), "chlorine.ceiling"],
        [say("rulebook.drawn.lower-temperatures-to", "hatched to"), "chlorine.ph.narrow"],
        [say("rulebook.drawn.none-above", "none above"), "chlorine.ph.wide"],
        [say("rulebook.drawn.wet-for", "wet for"), "chlorine.contact"],
        [say("rulebook.drawn.strong-and-warm", "strong and warm"), "chlorine.contact.short"],
      ],
      says: say(
        "rulebook.drawn.hatched-needs-a-ph",
        "Hatched: only up to pH {0}. Above pH {1} it does not count.",
        v("chlorine.ph.narrow"),
        v("chlorine.ph.wide"),
      ),
    },
    {
      kind: "quat",
      ph: [],
      name: say("rulebook.drawn.quat", "Quat"),
      rows: [{ from: 0, warm: v("quat.least-temperature") }],
      most: v("quat.ceiling"),
      figures: [
        [say("rulebook.drawn.from", "from"), "quat.least-temperature"],
        [say("rulebook.drawn.at-most", "at most"), "quat.ceiling"],
        [say("rulebook.drawn.water-up-to", "water up to"), "quat.hardness"],
      ],
      says: say("rulebook.drawn.the-label-says-from-which", "From which strength on, the label says."),
    },
    {
      kind: "iodine",
      ph: [],
      name: say("rulebook.drawn.iodine", "Iodine"),
      rows: [{ from: v("iodine.least-strength"), warm: v("iodine.least-temperature") }],
      most: v("iodine.ceiling"),
      figures: [
        [say("rulebook.drawn.from", "from"), "iodine.least-strength"],
        [say("rulebook.drawn.at", "at"), "iodine.least-temperature"],
        [say("rulebook.drawn.at-most", "at most"), "iodine.ceiling"],
        [say("rulebook.drawn.none-above", "none above"), "iodine.ph"],
      ],
      says: say("rulebook.drawn.up-to-ph", "Up to pH {0}, unless the label allows more.", v("iodine.ph")),
    },
    {
      kind: "peroxyacetic acid",
      ph: [],
      name: say("rulebook.drawn.peroxyacetic-acid", "Peroxyacetic acid"),
      rows: [{ from: 0, warm: 0 }],
      most: v("paa.ceiling"),
      figures: [
        [say("rulebook.drawn.at-most", "at most"), "paa.ceiling"],
        [say("rulebook.drawn.wet-for", "wet for"), "contact.other"],
      ],
      says: say(
        "rulebook.drawn.temperature-and-strength-by-the-label",
        "Temperature and strength by the label.",
      ),
    },
  ];
}

/** What sanitizes: strength across, temperature up, the permitted field drawn. */
export function SanitizerMaps({ figures, shown }: Props) {
  const chemicals = useQuery({
    queryKey: keys.chemicals(),
    queryFn: () => unwrap(api.GET("/api/chemicals")),
  });
  return (
    <section className="maps" aria-label={say("rulebook.drawn.sanitizers", "Sanitizers")}>
      <h2>
        {say(
          "rulebook.drawn.where-a-sanitizer-counts",
          "Where a sanitizer counts: strength across, temperature up",
        )}
      </h2>
      <div className="maps-four">
        {kinds(figures).map((k) => (
          <KindMap
            key={k.kind}
            kind={k}
            shown={shown}
            labels={(chemicals.data ?? []).filter((c) => c.kind === k.kind)}
          />
        ))}
      </div>
      <p className="quiet">
        {say(
          "rulebook.drawn.beyond-the-right-edge",
          "Beyond the right edge of a field it has to be rinsed off; a site that always rinses may go as far as the label. Brackets: what the labels on this site allow.",
        )}
      </p>
    </section>
  );
}

/** The steps of a field from the top right corner, as a path. */
function field(
  rows: { from: number; warm: number }[],
  most: number,
  x: (s: number) => number,
  y: (t: number) => number,
) {
  const steps = rows.map((r, i) => {
    const to = rows[i + 1]?.from ?? most;
    return `L${x(Math.min(r.from, most))} ${y(r.warm)} L${x(Math.min(to, most))} ${y(r.warm)}`;
  });
  return `M${x(rows[0].from)} ${y(WARMEST)} ${steps.join(" ")} L${x(most)} ${y(WARMEST)} Z`;
}

const mgPerL = (text: string | undefined | null) => {
  const n = /^([\d.]+) mg\/L$/.exec(text ?? "");
  return n ? Number(n[1]) : undefined;
};

function KindMap({ kind, shown, labels }: { kind: Kind; shown: Shown; labels: Schemas["ChemicalView"][] }) {
  const far = kind.most * 1.12;
  const x = (s: number) => LEFT + (s / far) * (WIDE - LEFT);
  const y = (t: number) => HIGH - BOTTOM - (t / WARMEST) * (HIGH - BOTTOM - 4);
  const hatch = `hatch-${kind.kind.replace(/ /g, "-")}`;
  const warm = [...new Set(kind.rows.concat(kind.alkaline ?? []).map((r) => r.warm))].filter((t) => t > 0);
  const strong = [...new Set(kind.rows.map((r) => r.from).concat(kind.most))].filter((s) => s > 0);
  return (
    <div className="kind-map">
      <h3>{kind.name}</h3>
      <svg
        viewBox={`0 0 ${WIDE} ${HIGH}`}
        role="img"
        aria-label={kind.rows
          .map((r) =>
            say(
              "rulebook.drawn.from-on-at-least",
              "{0}: from {1} mg/L on at {2} or warmer, at most {3} mg/L without a rinse",
              kind.name,
              r.from,
              degrees(r.warm),
              kind.most,
            ),
          )
          .join("; ")}
      >
        <defs>
          <pattern
            id={hatch}
            width="6"
            height="6"
            patternUnits="userSpaceOnUse"
            patternTransform="rotate(45)"
          >
            <path d="M0 0 V6" className="kind-hatch" />
          </pattern>
        </defs>
        <path d={field(kind.rows, kind.most, x, y)} className="kind-field" fill={`url(#${hatch})`} />
        {kind.alkaline && <path d={field(kind.alkaline, kind.most, x, y)} className="kind-field full" />}
        {!kind.alkaline && <path d={field(kind.rows, kind.most, x, y)} className="kind-field full" />}
        {warm.map((t) => (
          <text key={t} x={LEFT - 4} y={y(t) + 4} textAnchor="end">
            {degrees(t).replace(" ", "")}
          </text>
        ))}
        {strong.map((s) => (
          <text key={s} x={x(s)} y={HIGH - 4} textAnchor="middle">
            {s}
          </text>
        ))}
        {labels.map((c) => {
          const [from, to] = [mgPerL(c.least), mgPerL(c.most)];
          return (
            from !== undefined &&
            to !== undefined && (
              <g key={c.id}>
                <path
                  className="kind-label"
                  d={`M${x(from)} ${y(WARMEST) + 3} v6 H${x(Math.min(to, far))} v-6`}
                />
                <text x={x(from) + 4} y={y(WARMEST) + 21}>
                  {c.name}
                </text>
              </g>
            )
          );
        })}
      </svg>
      <p className="quiet">{kind.says}</p>
      {kind.alkaline &&
        [1, 2, 3].map((r) => (
          <p key={r} className="kind-figures">
            {word(say("rulebook.drawn.from", "from"), shown(`chlorine.row-${r}.least-strength`))}
            {kind.ph.map(([ph, id]) =>
              word(
                say("rulebook.drawn.to-ph-at", "to pH {0} at", ph),
                shown(`chlorine.row-${r}.least-temperature.${id}`),
                id,
              ),
            )}
          </p>
        ))}
      <p className="kind-figures">{kind.figures.map(([says, id]) => word(says, shown(id)))}</p>
    </div>
  );
}

const word = (says: string, figure: ReactNode, key = says) => (
  <span key={key}>
    {says} {figure}
  </span>
);

const degrees = (t: number) => inUnits(`${t} °C`, `${t} °C`);

const ROWS = [1, 2, 3, 4];

/** How long something may be in use until it is cleaned, by how cold its room is. */
export function Clocks({ shown }: { shown: Shown }) {
  return (
    <section aria-label={say("rulebook.drawn.clocks", "Clocks")}>
      <h2>{say("rulebook.drawn.how-long-in-use-until-cleaned", "How long in use until it is cleaned")}</h2>
      <table className="table clocks">
        <thead>
          <tr>
            <th scope="row">{say("rulebook.drawn.room-at-most", "Room at most")}</th>
            {ROWS.map((r) => (
              <td key={r}>{shown(`room.row-${r}.highest`)}</td>
            ))}
            <td>{say("rulebook.drawn.warmer", "warmer")}</td>
          </tr>
        </thead>
        <tbody>
          <tr>
            <th scope="row">{say("rulebook.drawn.in-use-at-most", "In use at most")}</th>
            {ROWS.map((r) => (
              <td key={r}>{shown(`room.row-${r}.hours`)}</td>
            ))}
            <td>{shown("clock.hours")}</td>
          </tr>
        </tbody>
      </table>
    </section>
  );
}

/** What is drawn is not listed once more. */
export const drawn = (id: string) =>
  id.startsWith("room.row-") ||
  id === "clock.hours" ||
  id === "contact.other" ||
  /^(chlorine|quat|iodine|paa)\./.test(id);

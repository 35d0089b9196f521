import type { Schemas } from "../api/client";

type Props = {
  outline: Schemas["Outline"];
  /** Parts that are lit. */
  lit?: string[];
  /** What it shows, for who does not see it; absent where the name stands beside it. */
  label?: string;
};

/** The outline of a machine, from back to front. */
export function OutlineDrawing({ outline, lit = [], label }: Props) {
  return (
    <svg
      viewBox={`-8 -8 ${outline.width + 16} ${outline.height - 30}`}
      role={label === undefined ? "presentation" : "img"}
      aria-label={label}
    >
      {outline.shapes.map((s) => (
        <path key={s.part} d={s.path} className={lit.includes(s.part) ? "where-lit" : "where-part"} />
      ))}
    </svg>
  );
}

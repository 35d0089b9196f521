import type { Schemas } from "../api/client";

type Props = {
  outline: Schemas["Outline"];
  /** Parts that are lit. */
  lit?: string[];
  /** What it shows, for who does not see it; absent where the name stands beside it. */
  label?: string;
  /** Told which part the pointer picks; whoever has none picks it by its name beside the drawing. */
  onPick?: (part: string) => void;
};

/** The outline of a machine, from back to front. */
export function OutlineDrawing({ outline, lit = [], label, onPick }: Props) {
  return (
    <svg
      viewBox={`-8 -8 ${outline.width + 16} ${outline.height - 30}`}
      role={label === undefined ? "presentation" : "img"}
      aria-label={label}
    >
      {outline.shapes.map((s) => (
        // biome-ignore lint/a11y/noStaticElementInteractions: the same parts are buttons beside it
        <path
          key={s.part}
          d={s.path}
          className={`${lit.includes(s.part) ? "where-lit" : "where-part"} ${onPick ? "to-pick" : ""}`}
          onClick={onPick && (() => onPick(s.part))}
        />
      ))}
    </svg>
  );
}

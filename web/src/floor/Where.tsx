import type { Schemas } from "../api/client";
import type { Say } from "../shared/texts";

type Props = { sheet: Schemas["SheetView"] | undefined; lit: string[]; say: Say };

/** The outline of the machine with the places of this step lit, and named beneath. */
export function Where({ sheet, lit, say }: Props) {
  const outline = sheet?.outline;
  if (!outline) {
    return null;
  }
  const names = sheet.parts.filter((p) => lit.includes(p.id)).map((p) => say(p.name));
  const shown =
    names.length > 5
      ? say("{0} and {1} more", names.slice(0, 4).join(", "), names.length - 4)
      : names.join(", ");
  return (
    <figure className="where">
      <svg
        viewBox={`-8 -8 ${outline.width + 16} ${outline.height - 30}`}
        role="img"
        aria-label={say("Where: {0}", shown || say("the machine"))}
      >
        {outline.shapes.map((s) => (
          <path key={s.part} d={s.path} className={lit.includes(s.part) ? "where-lit" : "where-part"} />
        ))}
      </svg>
      <figcaption>{shown}</figcaption>
    </figure>
  );
}

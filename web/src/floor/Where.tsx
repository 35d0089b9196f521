import type { Schemas } from "../api/client";
import { OutlineDrawing } from "../shared/OutlineDrawing";
import { say } from "../shared/say";
import { told } from "../shared/texts";

type Props = { sheet: Schemas["SheetView"] | null | undefined; lit: string[] };

/**
 * The outline of the machine with the places of this step lit, and named beneath. While the sheet comes its place is
 * kept free: what is to be tapped below must not jump away from under a finger.
 */
export function Where({ sheet, lit }: Props) {
  if (sheet === null) {
    return <figure className="where" aria-hidden="true" />;
  }
  const outline = sheet?.outline;
  if (!outline) {
    return null;
  }
  const names = sheet.parts.filter((p) => lit.includes(p.id)).map((p) => told(p.name));
  const shown =
    names.length > 5
      ? say("floor.where.and-more", "{0} and {1} more", names.slice(0, 4).join(", "), names.length - 4)
      : names.join(", ");
  return (
    <figure className="where">
      <OutlineDrawing
        outline={outline}
        lit={lit}
        label={say("floor.where.where", "Where: {0}", shown || say("floor.where.the-machine", "the machine"))}
      />
      <figcaption>{shown}</figcaption>
    </figure>
  );
}

import { inLanguage, inUnits } from "../shared/say";

/** Title of a figure by its id, which a language file has; else as the book says it. */
export const titleOf = (f: { id: string; title: string } | undefined) =>
  f ? inUnits(inLanguage(`figure.${f.id}`, []) ?? f.title, f.title) : "";

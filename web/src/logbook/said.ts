import type { CoreText, Schemas } from "../api/client";
import { piece, told } from "../shared/texts";

type LogEntry = Schemas["LogEntry"];

/** What an entry of the log says, in the reader's language. */
export const said = (e: LogEntry): string => piece(e.said as CoreText);

/** Title of its step: what is done, and on what. */
export function stepOf(e: LogEntry): string {
  const at = e.stepTitle.indexOf(": ");
  return at < 0 ? told(e.stepTitle) : `${told(e.stepTitle.slice(0, at))}: ${told(e.stepTitle.slice(at + 2))}`;
}

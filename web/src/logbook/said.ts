import type { Schemas } from "../api/client";
import { piece } from "../shared/texts";

type LogEntry = Schemas["LogEntry"];

/** What an entry of the log says, in the reader's language. */
export const said = (e: LogEntry): string => piece(e.said);

/** Title of its step: what is done, and on what. */
export const stepOf = (e: LogEntry): string => piece(e.stepTitle);

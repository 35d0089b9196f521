import type { CoreText } from "../api/client";

/** Words of which only the English is known, as the core sends them. */
export const words = (english: string): CoreText => ({ id: "", english, args: [] });

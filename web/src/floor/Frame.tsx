import type { ReactNode } from "react";
import { useLanguage, useSettings } from "../shared/settings";

/** The page of the floor: in the reader's language, text size and hand. */
export function Frame({ children }: { children: ReactNode }) {
  const { size, left } = useSettings();
  return (
    <main className={`floor size-${size}${left ? " left" : ""}`} lang={useLanguage()}>
      {children}
    </main>
  );
}

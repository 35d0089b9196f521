import type { ReactNode } from "react";

type Props<T> = { title: string; none: string; all: T[]; children: (one: T) => ReactNode };

/** A list under its heading, and what is said where it is empty. */
export function Listed<T>({ title, none, all, children }: Props<T>) {
  return (
    <section aria-label={title}>
      <h2>{title}</h2>
      {all.length === 0 && <p className="quiet">{none}</p>}
      <ul>{all.map(children)}</ul>
    </section>
  );
}

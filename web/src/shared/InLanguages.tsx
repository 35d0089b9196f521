import { Link } from "react-router";
import { useLanguages } from "./texts";

/** The way to what a document says in the other languages of this site. */
export function InLanguages({ document }: { document: string }) {
  return (useLanguages().data ?? []).map((l) => (
    <Link className="btn" key={l.code} to={`/languages/${l.code}/${document}`} lang={l.code}>
      {l.name}
    </Link>
  ));
}

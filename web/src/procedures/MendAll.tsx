import { useQuery } from "@tanstack/react-query";
import { api, message, unwrap } from "../api/client";
import { applyEdits, type Doc } from "../ribbon/draft";
import { type Actions, editLine, type Names } from "../ribbon/words";
import { Dialog } from "../shared/Dialog";
import { keys } from "../shared/keys";
import { say } from "../shared/say";

type Props = {
  doc: Doc;
  names: Names;
  actions: Actions;
  onClose: () => void;
  onTake: (next: Doc, taken: number) => void;
};

/** All remedies that are proven to help, one after the other: first the difference, then one press. */
export function MendAll(p: Props) {
  const mended = useQuery({
    queryKey: keys.fix(p.doc),
    queryFn: ({ signal }) => unwrap(api.POST("/api/mend", { body: p.doc, signal })),
    gcTime: 0,
  });
  const m = mended.data;
  // Each line is worded against the procedure as it stands when its turn comes.
  let now = p.doc;
  const lines = (m?.edits ?? []).map((e) => {
    const line = editLine(e, now.steps, p.names, p.actions);
    now = applyEdits(now, [e]);
    return line;
  });
  return (
    <Dialog
      title={say(
        "procedures.mend-all.fix-everything-that-can-be-fixed",
        "Fix everything that can be fixed safely",
      )}
      onClose={p.onClose}
    >
      {mended.isPending && (
        <p>{say("procedures.mend-all.trying-one-fix-after-the-other", "Trying one fix after the other…")}</p>
      )}
      {mended.isError && (
        <p className="note stop" role="alert">
          {message(mended.error)}
        </p>
      )}
      {m && (
        <>
          <p>
            {say(
              "procedures.mend-all.fixes-none-of-them-invents-a",
              "{0, plural, one {# fix; it invents no figure} other {# fixes; none of them invents a figure}}. {1}",
              m.taken.length,
              m.stops + m.fixes === 0
                ? say(
                    "procedures.mend-all.no-findings-are-left-after-them",
                    "No findings are left after them.",
                  )
                : say(
                    "procedures.mend-all.left-for-you-to-decide-and",
                    "Left for you to decide: {0, plural, one {# stop} other {# stops}} and {1, plural, one {# fix} other {# fixes}}.",
                    m.stops,
                    m.fixes,
                  ),
            )}
          </p>
          <ol
            className="diff mend-all"
            aria-label={say("procedures.mend-all.what-it-changes", "What it changes")}
            // biome-ignore lint/a11y/noNoninteractiveTabindex: it scrolls, and the keyboard has to get into it
            tabIndex={0}
          >
            {lines.map((line, i) => (
              <li key={i}>{line}</li>
            ))}
          </ol>
          <button
            className="btn main"
            type="button"
            disabled={m.taken.length === 0}
            onClick={() => p.onTake({ ...p.doc, steps: m.document.steps }, m.taken.length)}
          >
            {say("procedures.mend-all.apply-all", "Apply all {0}", m.taken.length)}
          </button>
        </>
      )}
      <button className="btn" type="button" onClick={p.onClose}>
        {say("procedures.mend-all.cancel", "Cancel")}
      </button>
    </Dialog>
  );
}

import { useState } from "react";
import type { Pack, State } from "../round/core";
import { Dialog } from "../shared/Dialog";
import { say } from "../shared/say";
import { told } from "../shared/texts";

type Props = {
  pack: Pack;
  state: State;
  first: string | null;
  onClose: () => void;
  onSay: (kind: string, words: string, item?: string) => void;
  onOtherwise: (reason: string) => void;
};

/** What is wrong; first what has to be done now, then what goes into the record. */
export function Trouble({ pack, state, first, onClose, onSay, onOtherwise }: Props) {
  const [kind, setKind] = useState<string | null>(first);
  const [item, setItem] = useState("");
  const [words, setWords] = useState("");
  const plan = pack.troubles.find((t) => t.kind === kind);
  const needsPart = plan && plan.about !== "NOTHING";

  if (kind === null) {
    return (
      <Dialog title={say("floor.trouble.what-is-wrong", "What is wrong?")} onClose={onClose} dark>
        <div className="pad-grid">
          {pack.troubles.map((t) => (
            <button
              key={t.kind}
              className={`floor-btn${URGENT.has(t.kind) ? " urgent" : ""}`}
              type="button"
              onClick={() => setKind(t.kind)}
            >
              {told(t.title)}
            </button>
          ))}
          {state.current && (
            <button className="floor-btn" type="button" onClick={() => setKind("OTHERWISE")}>
              {say("floor.trouble.this-step-was-done-differently", "This step was done differently")}
            </button>
          )}
          <button className="floor-btn" type="button" onClick={onClose}>
            {say("floor.trouble.nothing-back", "Nothing, back")}
          </button>
        </div>
      </Dialog>
    );
  }

  return (
    <Dialog
      title={told(
        plan?.title ?? say("floor.trouble.this-step-was-done-differently", "This step was done differently"),
      )}
      onClose={onClose}
      dark
    >
      {plan && (
        <ol className="trouble-now">
          {plan.now.map((n) => (
            <li key={told(n)}>{told(n)}</li>
          ))}
        </ol>
      )}
      {needsPart && (
        <fieldset className="trouble-parts">
          <legend>{say("floor.trouble.which-part", "Which part?")}</legend>
          <div className="floor-pieces">
            {pack.rework.map((r) => (
              <button
                key={r.item}
                className={`piece${item === r.item ? " tapped" : ""}`}
                type="button"
                aria-pressed={item === r.item}
                onClick={() => setItem(r.item)}
              >
                {told(r.name)}
              </button>
            ))}
          </div>
        </fieldset>
      )}
      <label className="pad-other">
        {say("floor.trouble.what-happened-in-a-few-words", "What happened, in a few words")}
        <textarea rows={2} maxLength={2000} value={words} onChange={(e) => setWords(e.currentTarget.value)} />
      </label>
      <div className="pad-grid">
        <button className="floor-btn" type="button" onClick={() => (first ? onClose() : setKind(null))}>
          {say("floor.trouble.back", "Back")}
        </button>
        <button
          className="floor-btn now"
          type="button"
          disabled={words.trim().length < 3 || (needsPart && item === "")}
          onClick={() =>
            plan ? onSay(plan.kind, words.trim(), needsPart ? item : undefined) : onOtherwise(words.trim())
          }
        >
          {plan?.about === "A_PART_TO_REDO"
            ? say("floor.trouble.record-it-and-do-it-again", "Record it and do it again")
            : say("floor.trouble.record-it", "Record it")}
        </button>
      </div>
    </Dialog>
  );
}

const URGENT = new Set(["INJURY", "CHEMICAL_CONTACT", "MACHINE_MOVED"]);

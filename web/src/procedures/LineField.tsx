import { useQuery } from "@tanstack/react-query";
import { useEffect, useId, useRef, useState } from "react";
import { api, message, type Schemas, unwrap } from "../api/client";
import type { Step } from "./draft";

type Props = {
  machine: string;
  /** The step that stands here; null for a new one. */
  step: Step | null;
  label: string;
  onStep: (step: Step) => void;
};

/** What belongs to a step beside its line. */
function beside(step: Step | null): Partial<Step> {
  return step === null
    ? {}
    : { id: step.id, words: step.words, because: step.because, caution: step.caution };
}

/** A step typed as a line, as on paper. Enter takes it over; what is not understood is told with the nearest names. */
export function LineField({ machine, step, label, onStep }: Props) {
  const [typed, setTyped] = useState<string | null>(null);
  const id = useId();
  const input = useRef<HTMLTextAreaElement>(null);
  const shown = useQuery({
    queryKey: ["line", machine, step],
    enabled: step !== null,
    queryFn: ({ signal }) =>
      unwrap(api.POST("/api/notation/line", { body: { machine, step: step as Step }, signal })),
    placeholderData: (before) => before,
  });
  const written = step === null ? "" : (shown.data?.line ?? "").replace(/ #[a-z0-9-]+$/, "");
  const text = typed ?? written;
  const read = useQuery({
    queryKey: ["typed", machine, typed],
    enabled: typed !== null && typed.trim() !== "",
    queryFn: ({ signal }) =>
      unwrap(api.POST("/api/notation/step", { body: { machine, line: typed ?? "" }, signal })),
    placeholderData: (before) => before,
  });
  useEffect(() => setTyped(null), [step?.id]);
  const slips = typed === null || typed.trim() === "" ? [] : (read.data?.slips ?? []);
  const ready = read.data?.step !== undefined && slips.length === 0 && !read.isPlaceholderData;

  function take() {
    if (typed === null || !ready || !read.data?.step) {
      return;
    }
    onStep({ ...read.data.step, ...beside(step) } as Step);
    setTyped(null);
  }

  function replace(slip: Schemas["Slip"], by: string) {
    const from = slip.column - 1;
    setTyped(`${text.slice(0, from)}${by}${text.slice(from + slip.word.length)}`);
    input.current?.focus();
  }

  return (
    <div className={step === null ? "line-field line-bar" : "line-field"}>
      {/* Beside the field, not around it: what is typed is no part of its name. */}
      <div className="line-row">
        <label htmlFor={id}>{label}</label>
        <textarea
          id={id}
          ref={input}
          rows={step === null ? 1 : 4}
          value={text}
          spellCheck={false}
          placeholder="Wash pusher with Sudmere N 1 % at 45 °C, 8 L, by brush"
          aria-invalid={slips.length > 0}
          onChange={(e) => setTyped(e.currentTarget.value)}
          onKeyDown={(e) => {
            if (e.key === "Enter") {
              e.preventDefault();
              take();
            } else if (e.key === "Escape") {
              setTyped(null);
            }
          }}
        />
      </div>
      <div aria-live="polite">
        {read.isError && typed !== null && <p className="note stop">{message(read.error)}</p>}
        {slips.slice(0, 3).map((s) => (
          <p key={`${s.column}-${s.word}`} className="slip">
            {s.message}{" "}
            {s.nearest.map((n) => (
              <button key={n} type="button" className="btn small" onClick={() => replace(s, n)}>
                {n}
              </button>
            ))}
          </p>
        ))}
        {typed !== null && ready && <p className="quiet slip">Enter takes it over, Escape leaves it.</p>}
      </div>
    </div>
  );
}

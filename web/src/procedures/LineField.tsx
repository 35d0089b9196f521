import { useQuery } from "@tanstack/react-query";
import { memo, useEffect, useId, useMemo, useRef, useState } from "react";
import { api, message, type Schemas, unwrap } from "../api/client";
import type { Step } from "../ribbon/draft";
import { keys } from "../shared/keys";
import { say } from "../shared/say";
import { sentence } from "../shared/texts";
import { completions, type Vocabulary } from "./complete";

type Props = {
  machine: string;
  /** The step that stands here; null for a new one. */
  step: Step | null;
  /** Its line is asked for once what is more urgent has been answered. */
  settled?: boolean;
  label: string;
  onStep: (step: Step) => void;
};

/** What belongs to a step beside its line. */
function beside(step: Step | null): Partial<Step> {
  return step === null
    ? {}
    : { id: step.id, words: step.words, because: step.because, caution: step.caution };
}

const CONTROLS = [
  say("procedures.line-field.stop", "Stop"),
  say("procedures.line-field.set-safe", "Set safe"),
  say("procedures.line-field.drain", "Drain"),
  say("procedures.line-field.expel", "Expel"),
  say("procedures.line-field.run-closed", "Run closed"),
  say("procedures.line-field.run-in-clean-mode", "Run in clean mode"),
];

/** The words that a line of this machine may be made of, from what the workbench has read already. */
function useVocabulary(machine: string): Vocabulary {
  const sheet = useQuery({
    queryKey: keys.sheet(machine),
    queryFn: () => unwrap(api.GET("/api/machines/{code}", { params: { path: { code: machine } } })),
  });
  const chemicals = useQuery({
    queryKey: keys.chemicals(),
    queryFn: () => unwrap(api.GET("/api/chemicals")),
  });
  const actions = useQuery({
    queryKey: keys.actions(),
    queryFn: () => unwrap(api.GET("/api/actions")),
    staleTime: Number.POSITIVE_INFINITY,
  });
  const site = useQuery({ queryKey: keys.site(), queryFn: () => unwrap(api.GET("/api/site")) });
  return useMemo(() => {
    const s = sheet.data;
    const named = [
      ...(s?.parts ?? []).flatMap((p) => [p, ...p.surfaces]),
      ...(s?.passages ?? []),
      ...(s?.energies ?? []),
      ...(s?.checks ?? []),
      ...(s?.fittings ?? []),
    ];
    return {
      verbs: [...(actions.data ?? []).filter((a) => a.name !== "operate").map((a) => a.label), ...CONTROLS],
      things: named.map((n) => n.name),
      products: (chemicals.data ?? []).map((c) => c.name),
      vessels: (site.data?.vessels ?? []).map((v) => v.name),
    };
  }, [sheet.data, chemicals.data, actions.data, site.data]);
}

/** A step typed as a line, as on paper. Enter takes it over; what is not understood is told with the nearest names. */
export const LineField = memo(function LineField({ machine, step, settled = true, label, onStep }: Props) {
  const [typed, setTyped] = useState<string | null>(null);
  const id = useId();
  const input = useRef<HTMLTextAreaElement>(null);
  const asked = useRef(step);
  if (settled || asked.current?.id !== step?.id) {
    asked.current = step;
  }
  const lined = asked.current;
  const shown = useQuery({
    queryKey: keys.line(machine, lined),
    enabled: lined !== null,
    queryFn: ({ signal }) =>
      unwrap(api.POST("/api/notation/line", { body: { machine, step: lined as Step }, signal })),
    placeholderData: (before) => before,
  });
  const written = step === null ? "" : (shown.data?.line ?? "").replace(/ #[a-z0-9-]+$/, "");
  const text = typed ?? written;
  const read = useQuery({
    queryKey: keys.typed(machine, typed),
    enabled: typed !== null && typed.trim() !== "",
    queryFn: ({ signal }) =>
      unwrap(api.POST("/api/notation/step", { body: { machine, line: typed ?? "" }, signal })),
    placeholderData: (before) => before,
  });
  useEffect(() => setTyped(null), [step?.id]);
  const words = useVocabulary(machine);
  const [closed, setClosed] = useState(false);
  const [lit, setLit] = useState(-1);
  const offered =
    typed === null || closed
      ? { from: 0, options: [] }
      : completions(typed.trimEnd() === "" ? "" : typed, words);
  const list = offered.options;
  const slips = typed === null || typed.trim() === "" ? [] : (read.data?.slips ?? []);
  const ready = read.data?.step !== undefined && slips.length === 0 && !read.isPlaceholderData;

  function take() {
    if (typed === null || !ready || !read.data?.step) {
      return;
    }
    onStep({ ...read.data.step, ...beside(step) } as Step);
    setTyped(null);
  }

  function complete(option: string) {
    setTyped(`${text.slice(0, offered.from)}${option}`);
    setClosed(true);
    setLit(-1);
    input.current?.focus();
  }

  function replace(slip: Schemas["SlipView"], by: string) {
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
          placeholder={say(
            "procedures.line-field.wash-pusher-with-sudmere-n-1",
            "Wash pusher with Sudmere N 1 % at 45 °C, 8 L, by brush",
          )}
          aria-invalid={slips.length > 0}
          aria-controls={`${id}-list`}
          aria-autocomplete="list"
          aria-activedescendant={lit >= 0 ? `${id}-${lit}` : undefined}
          onChange={(e) => {
            setTyped(e.currentTarget.value);
            setClosed(false);
            setLit(-1);
          }}
          onKeyDown={(e) => {
            const by = e.key === "ArrowDown" ? 1 : e.key === "ArrowUp" ? -1 : 0;
            if (list.length > 0 && by !== 0) {
              e.preventDefault();
              setLit((now) => (now + by + list.length) % list.length);
            } else if (list.length > 0 && lit >= 0 && (e.key === "Enter" || e.key === "Tab")) {
              e.preventDefault();
              complete(list[lit]);
            } else if (list.length > 0 && e.key === "Escape") {
              setClosed(true);
            } else if (e.key === "Enter") {
              e.preventDefault();
              take();
            } else if (e.key === "Escape") {
              setTyped(null);
            }
          }}
        />
      </div>
      <div
        id={`${id}-list`}
        role="listbox"
        aria-label={say("procedures.line-field.completions", "Completions")}
        className="line-options"
        hidden={list.length === 0}
      >
        {list.map((o, i) => (
          <button
            key={o}
            id={`${id}-${i}`}
            type="button"
            role="option"
            tabIndex={-1}
            aria-selected={i === lit}
            onMouseDown={(e) => e.preventDefault()}
            onClick={() => complete(o)}
          >
            {o}
          </button>
        ))}
      </div>
      <div aria-live="polite">
        {read.isError && typed !== null && <p className="note stop">{message(read.error)}</p>}
        {slips.slice(0, 3).map((s) => (
          <p key={`${s.column}-${s.word}`} className="slip">
            {sentence(s.said)}{" "}
            {s.nearest.map((n) => (
              <button key={n} type="button" className="btn small" onClick={() => replace(s, n)}>
                {n}
              </button>
            ))}
          </p>
        ))}
        {typed !== null && ready && (
          <p className="quiet slip">
            {say(
              "procedures.line-field.enter-accepts-it-escape-closes-the",
              "Enter accepts it, Escape closes the list.",
            )}
          </p>
        )}
      </div>
    </div>
  );
});

import { replaceEqualDeep } from "@tanstack/react-query";
import { useCallback, useLayoutEffect, useRef, useState } from "react";
import { ApiProblem, type FieldProblem, message, postNow, type Schemas } from "../api/client";
import type { Doc } from "../ribbon/draft";

type Verdict = Schemas["VerdictDocument"];
type Finding = Schemas["FindingDocument"];

type Running = { doc: Doc; configuration: number; controller: AbortController; promise: Promise<Verdict> };

const verify = (r: Pick<Running, "doc" | "configuration" | "controller">, remedies: boolean) =>
  postNow<Verdict>(
    `/api/verify?configuration=${r.configuration}&remedies=${remedies}`,
    r.doc,
    r.controller.signal,
  );

function begun(doc: Doc, configuration: number, before: Running | null): Running {
  before?.controller.abort();
  const controller = new AbortController();
  const promise = verify({ doc, configuration, controller }, false);
  // Whoever waits hears of a failure; a run that was dropped has nobody waiting.
  promise.catch(() => undefined);
  return { doc, configuration, controller, promise };
}

/** Remedies are runs of their own, so they are asked for once no key has come for so long. */
const REMEDIES_AFTER_MS = 150;

const alike = (a: Finding, b: Finding) =>
  a.rule === b.rule && a.stepId === b.stepId && a.message === b.message;

/** What mended a finding a moment ago stays in its place until it has been proven anew. */
export function withEarlierRemedies(fresh: Verdict, before: Verdict | null): Verdict {
  const findings = fresh.findings.map((f) => {
    const was = before?.findings.find((b) => alike(b, f));
    return was ? { ...f, remedies: was.remedies } : f;
  });
  return { ...fresh, findings };
}

export type Judging = {
  /** The newest verdict; it may speak of an earlier state while {@link busy}. */
  verdict: Verdict | null;
  /** Why there is no verdict on what is written now. */
  problems: FieldProblem[];
  trouble: string | null;
  /** The answer to what is written now is still on its way. */
  busy: boolean;
  /** The remedies in the verdict are proven for what is written now. */
  proven: boolean;
  /** Sends before anything is drawn; the state itself follows with the next drawing. */
  begin: (doc: Doc) => void;
};

/** Every change runs through the machine at once; an older run still on its way is dropped, the latest wins. */
export function useVerdict(doc: Doc, configuration: number): Judging {
  const [verdict, setVerdict] = useState<Verdict | null>(null);
  const [problems, setProblems] = useState<FieldProblem[]>([]);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [answered, setAnswered] = useState<Doc | null>(null);
  const [provenFor, setProvenFor] = useState<Doc | null>(null);
  const running = useRef<Running | null>(null);

  useLayoutEffect(() => {
    const now = running.current;
    const mine =
      now?.doc === doc && now.configuration === configuration ? now : begun(doc, configuration, now);
    running.current = mine;
    const latest = () => running.current === mine;
    let remedies: ReturnType<typeof setTimeout> | undefined;
    mine.promise
      .then((v) => {
        if (latest()) {
          // What is the same stays the same object, so that only what changed is drawn anew.
          setVerdict((before) => replaceEqualDeep(before, withEarlierRemedies(v, before)));
          setAnswered(doc);
          setProblems((p) => (p.length === 0 ? p : []));
          setTrouble(null);
          remedies = setTimeout(() => verify(mine, true).then(prove).catch(failed), REMEDIES_AFTER_MS);
        }
      })
      .catch(failed);
    function prove(whole: Verdict) {
      if (latest()) {
        setVerdict((before) => replaceEqualDeep(before, whole));
        setProvenFor(doc);
      }
    }
    function failed(e: unknown) {
      if (!latest()) {
        return;
      }
      setAnswered(doc);
      if (e instanceof ApiProblem && e.fields.length) {
        setProblems(e.fields);
        setTrouble(null);
      } else {
        setTrouble(message(e));
      }
    }
    return () => clearTimeout(remedies);
  }, [doc, configuration]);

  const begin = useCallback(
    (next: Doc) => {
      running.current = begun(next, configuration, running.current);
    },
    [configuration],
  );
  return { verdict, problems, trouble, busy: answered !== doc, proven: provenFor === doc, begin };
}

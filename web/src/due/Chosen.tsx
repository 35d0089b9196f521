import { Checkbox, NumberInput, Textarea } from "@mantine/core";
import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";
import type { Made } from "../round/core";
import * as enter from "../round/entries";
import { tabletNow } from "../round/outbox";
import { useSiteStream } from "../round/useSiteStream";
import { DUE_STATES, StateShape } from "../shared/DueState";
import { keys } from "../shared/keys";
import { say } from "../shared/say";
import { useClock, useSession } from "../shared/session";
import { sentence, told } from "../shared/texts";
import { DEPTHS, type DueTask, nameOf, open } from "./words";

type Props = { task: DueTask; now: number };

/** One task: why it stands as it does, and what can be done about it here. */
export function Chosen({ task: t, now }: Props) {
  const queries = useQueryClient();
  const session = useSession().data;
  const clock = useClock();
  const site = useSiteStream({ name: session?.name ?? "", person: session?.person, role: session?.role });
  const [why, setWhy] = useState("");
  const [count, setCount] = useState<number | "">("");
  const [replaced, setReplaced] = useState(false);
  const [done, setDone] = useState<string | null>(null);
  const works = session !== undefined && session.role !== "AUDITOR";
  const decides = session?.role === "SUPERVISOR" || session?.role === "QA";
  const write = (made: Made, words: string) => {
    site.write(made);
    setDone(words);
    // The entry is on its way; the list is asked again once it is there.
    window.setTimeout(() => void queries.invalidateQueries({ queryKey: keys.due() }), 400);
  };
  const kit = t.kind === "KIT" && t.machine ? t.task.split("/kit/")[1] : undefined;
  return (
    <section className="due-chosen" aria-label={say("due.chosen.this-task", "This task")}>
      <p className="due-chosen-state">
        <StateShape state={t.state} /> {DUE_STATES[t.state]}
      </p>
      <h2>
        {t.machine} {nameOf(t)}
      </h2>
      <p>{sentence(t.because)}.</p>
      <dl>
        {t.depth && (
          <>
            <dt>{say("due.chosen.depth", "How often")}</dt>
            <dd>{DEPTHS[t.depth]}</dd>
          </>
        )}
        <dt>{say("due.chosen.last", "Last done")}</dt>
        <dd>
          {t.since === undefined
            ? say("due.chosen.no-record", "no record of it")
            : `${clock.day(t.since)}, ${clock.time(t.since)}`}
          {t.by && ` (${say("due.chosen.taken-along", "with the deeper clean {0}", t.by)})`}
        </dd>
        {t.due !== undefined && (
          <>
            <dt>{say("due.chosen.due", "Due")}</dt>
            <dd>
              {clock.day(t.due)}, {clock.time(t.due)}
            </dd>
          </>
        )}
        {t.late !== undefined && (
          <>
            <dt>{say("due.chosen.late", "Late from")}</dt>
            <dd>
              {clock.day(t.late)}, {clock.time(t.late)}
            </dd>
          </>
        )}
      </dl>
      {t.kind === "CLEAN" && works && (
        <Link className="btn main" to={`/floor/start/${t.task}`}>
          {say("due.chosen.to-the-floor", "Start this round")}
        </Link>
      )}
      {t.kind === "CHECK" && works && (
        <Link className="btn main" to={`/mixing?show=instruments&instrument=${t.task.replace("check/", "")}`}>
          {say("due.chosen.to-the-check", "Check it now")}
        </Link>
      )}
      {t.kind === "TRAINING" && decides && (
        <button
          className="btn main"
          type="button"
          onClick={() =>
            write(
              enter.taskDone(t.task, tabletNow()),
              say("due.chosen.trained", "Written down: gone through again."),
            )
          }
        >
          {say("due.chosen.gone-through", "It was gone through again: write it down")}
        </button>
      )}
      {t.kind === "UPKEEP" && works && (
        <button
          className="btn main"
          type="button"
          onClick={() =>
            write(enter.taskDone(t.task, tabletNow()), say("due.chosen.done", "Written down as done."))
          }
        >
          {say("due.chosen.it-is-done", "It is done: write it down")}
        </button>
      )}
      {kit !== undefined && t.machine && works && (
        <button
          className="btn main"
          type="button"
          onClick={() =>
            write(
              enter.kitFitted(t.machine ?? "", kit, tabletNow()),
              say("due.chosen.fitted", "Written down: fitted now, one less on the shelf."),
            )
          }
        >
          {say("due.chosen.it-is-fitted", "It is fitted: write it down")}
        </button>
      )}
      {t.sign && t.machine && works && (
        <fieldset>
          <legend>{say("due.chosen.look-for", "Look for: {0}", told(t.sign))}</legend>
          <button
            className="btn"
            type="button"
            onClick={() =>
              write(
                enter.signSeen(t.machine ?? "", t.sign ?? "", true, tabletNow()),
                say("due.chosen.seen-kept", "Written down: it was there."),
              )
            }
          >
            {say("due.chosen.it-is-there", "It is there")}
          </button>{" "}
          <button
            className="btn"
            type="button"
            onClick={() =>
              write(
                enter.signSeen(t.machine ?? "", t.sign ?? "", false, tabletNow()),
                say("due.chosen.not-seen-kept", "Written down: it was not there."),
              )
            }
          >
            {say("due.chosen.not-there", "It is not there")}
          </button>
        </fieldset>
      )}
      {t.counter && t.machine && works && (
        <fieldset>
          <legend>{say("due.chosen.read-count", "Read the count: {0}", told(t.counter))}</legend>
          <NumberInput
            label={say("due.chosen.shows", "It shows")}
            min={0}
            value={count}
            onChange={(v) => setCount(typeof v === "number" ? v : "")}
          />
          <Checkbox
            label={say("due.chosen.display-replaced", "its display was replaced")}
            checked={replaced}
            onChange={(e) => setReplaced(e.currentTarget.checked)}
          />
          <button
            className="btn"
            type="button"
            disabled={count === ""}
            onClick={() =>
              write(
                enter.countRead(t.machine ?? "", t.counter ?? "", Number(count), replaced, tabletNow()),
                say("due.chosen.count-kept", "Written down."),
              )
            }
          >
            {say("due.chosen.keep-count", "Write it down")}
          </button>
        </fieldset>
      )}
      {decides && open(t) && t.state !== "BLOCKED" && (
        <details>
          <summary>{say("due.chosen.let-go", "Let it go this once")}</summary>
          <Textarea
            label={say("due.chosen.why", "Why, for the record")}
            value={why}
            maxLength={400}
            onChange={(e) => setWhy(e.currentTarget.value)}
          />
          {t.risk === "FOOD" && (
            <p className="quiet">
              {say(
                "due.chosen.not-clean",
                "That makes nothing clean: the machine stays as it is, and is not used before it was cleaned.",
              )}
            </p>
          )}
          <button
            className="btn"
            type="button"
            disabled={why.trim() === ""}
            onClick={() =>
              write(
                enter.taskLetGo(t.task, why.trim(), tabletNow()),
                say("due.chosen.let-go-kept", "Written down with your name."),
              )
            }
          >
            {say("due.chosen.keep-reason", "Write the reason down")}
          </button>
        </details>
      )}
      {site.refusal && (
        <p className="note stop" role="alert">
          {site.refusal}
        </p>
      )}
      {done && !site.refusal && (
        <p className="note done" role="status">
          {done}{" "}
          {site.kept > 0 &&
            say("due.chosen.waits", "It waits on this device for the server, since {0}.", clock.time(now))}
        </p>
      )}
    </section>
  );
}

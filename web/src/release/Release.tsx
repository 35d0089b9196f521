import "./release.css";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useParams } from "react-router";
import { api, message, type Schemas, unwrap } from "../api/client";
import { FromMeter } from "../round/FromMeter";
import { keys } from "../shared/keys";
import { Pin } from "../shared/Pin";
import { useClock } from "../shared/session";
import { filled } from "../shared/texts";

type View = Schemas["ReleaseView"];
type Site = Schemas["ReleaseSite"];

/** Somebody else looks, proves, and signs: yes, for a time, or back. */
export default function Release() {
  const { round = "" } = useParams();
  const view = useQuery({
    queryKey: keys.release(round),
    queryFn: () => unwrap(api.GET("/api/releases/{round}", { params: { path: { round } } })),
  });
  const clock = useClock();
  if (view.isError) {
    return (
      <main className="page-state" role="alert">
        <h1>This release cannot be shown</h1>
        <p>{message(view.error)}</p>
        <Link to="/board">To the board</Link>
      </main>
    );
  }
  if (!view.data) {
    return (
      <main className="page-state">
        <h1>Loading…</h1>
      </main>
    );
  }
  const v = view.data;
  return (
    <main className="page release">
      <div className="page-head">
        <h1>
          {v.machine} {v.title}
        </h1>
        <span className="grow" />
        <Link className="btn" to={`/logbook/${v.round}`}>
          The record
        </Link>
      </div>
      <p>
        {v.closedAt
          ? `Handed over by ${v.closedBy} at ${clock.time(v.closedAt)}. Worked on by ${v.workers.join(", ")}.`
          : `Open again. Worked on by ${v.workers.join(", ")}.`}
      </p>
      {v.hindrance && <p className="note stop">{v.hindrance}</p>}
      <Known v={v} />
      {v.status === "RELEASED" && <p className="note good">Released for production.</p>}
      {v.status === "OPEN" && (
        <p className="note">It is being re-cleaned; only what failed and what it touched is done again.</p>
      )}
      {v.status !== "OPEN" && (
        <ol className="release-sites" aria-label="Pre-op inspection">
          {v.plan.map((s) => (
            <li key={s.id}>
              <SiteRow v={v} s={s} />
            </li>
          ))}
        </ol>
      )}
      {(v.status === "WAITING" || v.status === "CONDITIONAL") && !v.hindrance && (
        <Answer key={v.status} v={v} />
      )}
      <p className="quiet">
        The plan of the site, the label, the machine’s manual and the local code stand above this screen.
      </p>
    </main>
  );
}

/** What the releaser has to know before looking. */
function Known({ v }: { v: View }) {
  const clock = useClock();
  if (v.troubles.length + v.differences.length + v.deviated.length === 0) {
    return <p className="quiet">Nothing went wrong in this round, and there were no deviations.</p>;
  }
  return (
    <section className="note stop">
      <h2>Before you inspect</h2>
      <ul>
        {v.troubles.map((t) => (
          <li key={`${t.at} ${t.text}`}>
            {clock.time(t.at)} {t.kind.toLowerCase().replaceAll("_", " ")}
            {t.item ? ` (${v.parts.find((p) => p.item === t.item)?.name ?? t.item})` : ""}: {t.text}, {t.who}
          </li>
        ))}
        {v.differences.map((d) => (
          <li key={d.entry}>
            {clock.time(d.at)} {d.who} entered what does not fit: {d.why}
          </li>
        ))}
        {v.deviated.length > 0 && (
          <li>
            {v.deviated.length} {v.deviated.length === 1 ? "step had" : "steps had"} a deviation; the record
            says why.
          </li>
        )}
      </ul>
    </section>
  );
}

const METERS: Record<string, { kind: Schemas["MeterView"]["kind"]; near: number }> = {
  SWAB: { kind: "ATP", near: 9 },
  PH: { kind: "PH_PEN", near: 7.6 },
};

const FOUND: Record<string, string> = { PASSED: "passed", CAUTION: "caution: not a pass", FAILED: "failed" };

function SiteRow({ v, s }: { v: View; s: Site }) {
  const queries = useQueryClient();
  const [value, setValue] = useState("");
  const find = useMutation({
    mutationFn: (body: { value?: number; passed: boolean }) =>
      unwrap(
        api.POST("/api/releases/{round}/findings", {
          params: { path: { round: v.round } },
          body: { site: s.id, ...body },
        }),
      ),
    onSuccess: (next) => {
      queries.setQueryData(keys.release(v.round), next);
      setValue("");
    },
  });
  const found = v.found[s.id];
  const proof = v.proofs[s.id];
  const may = !v.hindrance && v.status !== "RELEASED";
  const number = value.trim() === "" ? Number.NaN : Number(value.replace(",", "."));
  return (
    <div className={`site ${found?.toLowerCase() ?? ""}`}>
      <div>
        <strong>{s.name}</strong>
        <p className="quiet">
          {s.kind === "SWAB" && `ATP swab: passes up to ${s.most} ${s.unit}, fails above ${s.failAbove} – `}
          {s.kind === "PH" && `Passes from ${s.least} to ${s.most} – `}
          {s.why}
        </p>
        {found && (
          <p className="site-found">
            {FOUND[found]}
            {proof?.value !== undefined && `: ${proof.value} ${proof.unit ?? ""}`}, {proof?.who}
          </p>
        )}
        {find.isError && (
          <p className="note stop" role="alert">
            {message(find.error)}
          </p>
        )}
      </div>
      {may && s.kind === "LOOK" && (
        <div className="site-do">
          <button className="btn" type="button" onClick={() => find.mutate({ passed: true })}>
            Inspected, nothing wrong
          </button>
          <button className="btn" type="button" onClick={() => find.mutate({ passed: false })}>
            Not clean
          </button>
        </div>
      )}
      {may && s.kind !== "LOOK" && (
        <form
          className="site-do"
          onSubmit={(e) => {
            e.preventDefault();
            if (Number.isFinite(number)) {
              find.mutate({ value: number, passed: false });
            }
          }}
        >
          <label>
            {s.unit}
            <input
              aria-label={`${s.name}, ${s.unit}`}
              inputMode="decimal"
              maxLength={10}
              value={value}
              onChange={(e) => setValue(e.currentTarget.value)}
            />
          </label>
          <FromMeter
            fits={(m) => m.kind === METERS[s.kind]?.kind}
            near={METERS[s.kind]?.near ?? 0}
            say={(text, ...parts) => filled(text, parts)}
            desk
            onRead={(x) => setValue(String(x))}
          />
          <button className="btn" type="submit" disabled={!Number.isFinite(number)}>
            Enter
          </button>
        </form>
      )}
    </div>
  );
}

function Answer({ v }: { v: View }) {
  const queries = useQueryClient();
  const [how, setHow] = useState<"yes" | "time" | "no">("yes");
  const [pin, setPin] = useState("");
  const [hours, setHours] = useState("4");
  const [words, setWords] = useState("");
  const [item, setItem] = useState("");
  const answer = useMutation({
    mutationFn: () => {
      const path = { params: { path: { round: v.round } } };
      return unwrap(
        how === "no"
          ? api.POST("/api/releases/{round}/send-back", { ...path, body: { item, reason: words, pin } })
          : api.POST("/api/releases/{round}/release", {
              ...path,
              body: how === "yes" ? { pin } : { pin, hours: Number(hours), condition: words },
            }),
      );
    },
    onSuccess: (next) => queries.setQueryData(keys.release(v.round), next),
    onSettled: () => setPin(""),
  });
  return (
    <form
      className="release-answer"
      onSubmit={(e) => {
        e.preventDefault();
        answer.mutate();
      }}
    >
      <h2>Your answer</h2>
      <fieldset>
        <legend className="sr-only">Answer</legend>
        <Pick now={how} value="yes" onPick={setHow}>
          Release
        </Pick>
        <Pick now={how} value="time" onPick={setHow}>
          Release for a limited time
        </Pick>
        <Pick now={how} value="no" onPick={setHow}>
          Re-clean
        </Pick>
      </fieldset>
      {how === "yes" && v.missing.length > 0 && (
        <p className="note">Still to be found or passed: {v.missing.join("; ")}.</p>
      )}
      {how === "time" && (
        <label>
          Hours, 1 to 24
          <input
            inputMode="numeric"
            maxLength={2}
            value={hours}
            onChange={(e) => setHours(e.currentTarget.value)}
          />
        </label>
      )}
      {how === "no" && (
        <label>
          Which part
          <select value={item} onChange={(e) => setItem(e.currentTarget.value)}>
            <option value="">Choose the part that failed</option>
            {v.parts.map((p) => (
              <option key={p.item} value={p.item}>
                {p.name}
              </option>
            ))}
          </select>
        </label>
      )}
      {how !== "yes" && (
        <label>
          {how === "no" ? "What was found" : "What it waits for"}
          <input maxLength={500} value={words} onChange={(e) => setWords(e.currentTarget.value)} />
        </label>
      )}
      <Pin value={pin} onChange={setPin} />
      {answer.isError && (
        <p className="note stop" role="alert">
          {message(answer.error)}
        </p>
      )}
      <button
        className="btn main"
        type="submit"
        disabled={pin === "" || answer.isPending || (how === "no" && (item === "" || words.trim() === ""))}
      >
        {how === "yes"
          ? "Sign and release"
          : how === "time"
            ? "Sign: release for a limited time"
            : "Sign: re-clean"}
      </button>
    </form>
  );
}

type How = "yes" | "time" | "no";

function Pick(p: { now: How; value: How; onPick: (v: How) => void; children: string }) {
  return (
    <label className="pick">
      <input type="radio" name="answer" checked={p.now === p.value} onChange={() => p.onPick(p.value)} />
      {p.children}
    </label>
  );
}

import { NotShown, Waiting } from "../shared/PageState";
import { say } from "../shared/say";
import { sentence, told, useReading } from "../shared/texts";
import "./release.css";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useParams } from "react-router";
import { api, message, type Schemas, unwrap } from "../api/client";
import { FromMeter } from "../round/FromMeter";
import { keys } from "../shared/keys";
import { Pin } from "../shared/Pin";
import { useClock } from "../shared/session";

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
  useReading(view.data?.machine);
  if (view.isError) {
    return (
      <NotShown
        what={say("release.release.this-release-cannot-be-shown", "This release cannot be shown")}
        error={view.error}
      >
        <Link to="/board">{say("release.release.to-the-board", "To the board")}</Link>
      </NotShown>
    );
  }
  if (!view.data) {
    return <Waiting what={say("release.release.loading", "Loading…")} />;
  }
  const v = view.data;
  return (
    <main className="page release">
      <div className="page-head">
        <h1>
          {v.machine} {told(v.title)}
        </h1>
        <span className="grow" />
        <Link className="btn" to={`/logbook/${v.round}`}>
          {say("release.release.the-record", "The record")}
        </Link>
      </div>
      <p>
        {v.closedAt
          ? say(
              "release.release.handed-over-by-at-worked-on",
              "Handed over by {0} at {1}. Worked on by {2}.",
              v.closedBy,
              clock.time(v.closedAt),
              v.workers.join(", "),
            )
          : say(
              "release.release.open-again-worked-on-by",
              "Open again. Worked on by {0}.",
              v.workers.join(", "),
            )}
      </p>
      {v.hindrance && <p className="note stop">{sentence(v.hindrance)}</p>}
      <Known v={v} />
      {v.status === "RELEASED" && (
        <p className="note good">
          {say("release.release.released-for-production", "Released for production.")}
        </p>
      )}
      {v.status === "OPEN" && (
        <p className="note">
          {say(
            "release.release.it-is-being-re-cleaned-only",
            "It is being re-cleaned; only what failed and what it touched is done again.",
          )}
        </p>
      )}
      {v.status !== "OPEN" && (
        <ol
          className="release-sites"
          aria-label={say("release.release.pre-op-inspection", "Pre-op inspection")}
        >
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
        {say(
          "release.release.the-plan-of-the-site-the",
          "The plan of the site, the label, the machine’s manual and the local code stand above this screen.",
        )}
      </p>
    </main>
  );
}

/** What the releaser has to know before looking. */
function Known({ v }: { v: View }) {
  const clock = useClock();
  if (v.troubles.length + v.differences.length + v.deviated.length === 0) {
    return (
      <p className="quiet">
        {say(
          "release.release.nothing-went-wrong-in-this-round",
          "Nothing went wrong in this round, and there were no deviations.",
        )}
      </p>
    );
  }
  return (
    <section className="note stop">
      <h2>{say("release.release.before-you-inspect", "Before you inspect")}</h2>
      <ul>
        {v.troubles.map((t) => (
          <li key={`${t.at} ${t.said.english}`}>
            {clock.time(t.at)} {sentence(t.said)}, {t.who}
          </li>
        ))}
        {v.differences.map((d) => (
          <li key={d.entry}>
            {say(
              "release.release.entered-what-does-not-fit",
              "{0} {1} entered what does not fit: {2}",
              clock.time(d.at),
              d.who,
              sentence(d.why),
            )}
          </li>
        ))}
        {v.deviated.length > 0 && (
          <li>
            {say(
              "release.release.steps-with-a-deviation",
              "{0, plural, one {# step had} other {# steps had}} a deviation; the record says why.",
              v.deviated.length,
            )}
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

const FOUND: Record<string, string> = {
  PASSED: say("release.release.passed", "passed"),
  CAUTION: say("release.release.caution-not-a-pass", "caution: not a pass"),
  FAILED: say("release.release.failed", "failed"),
};

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
        <strong>{told(s.name)}</strong>
        <p className="quiet">
          {s.kind === "SWAB" &&
            say(
              "release.release.atp-swab-passes-up-to-fails",
              "ATP swab: passes up to {0} {1}, fails above {2} – ",
              s.most,
              s.unit,
              s.failAbove,
            )}
          {s.kind === "PH" &&
            say("release.release.passes-from-to", "Passes from {0} to {1} – ", s.least, s.most)}
          {told(s.why)}
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
            {say("release.release.inspected-nothing-wrong", "Inspected, nothing wrong")}
          </button>
          <button className="btn" type="button" onClick={() => find.mutate({ passed: false })}>
            {say("release.release.not-clean", "Not clean")}
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
              aria-label={`${told(s.name)}, ${s.unit}`}
              inputMode="decimal"
              maxLength={10}
              value={value}
              onChange={(e) => setValue(e.currentTarget.value)}
            />
          </label>
          <button className="btn" type="submit" disabled={!Number.isFinite(number)}>
            {say("release.release.enter", "Enter")}
          </button>
          <FromMeter
            fits={(m) => m.kind === METERS[s.kind]?.kind}
            near={METERS[s.kind]?.near ?? 0}
            desk
            onRead={(x) => setValue(String(x))}
          />
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
      <h2>{say("release.release.your-answer", "Your answer")}</h2>
      <fieldset>
        <legend className="sr-only">{say("release.release.answer", "Answer")}</legend>
        <Pick now={how} value="yes" onPick={setHow}>
          {say("release.release.release", "Release")}
        </Pick>
        <Pick now={how} value="time" onPick={setHow}>
          {say("release.release.release-for-a-limited-time", "Release for a limited time")}
        </Pick>
        <Pick now={how} value="no" onPick={setHow}>
          {say("release.release.re-clean", "Re-clean")}
        </Pick>
      </fieldset>
      {how === "yes" && v.missing.length > 0 && (
        <p className="note">
          {say(
            "release.release.still-to-be-found-or-passed",
            "Still to be found or passed: {0}.",
            v.missing.map(told).join("; "),
          )}
        </p>
      )}
      {how === "time" && (
        <label>
          {say("release.release.hours-1-to-24", "Hours, 1 to 24")}
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
          {say("release.release.which-part", "Which part")}
          <select value={item} onChange={(e) => setItem(e.currentTarget.value)}>
            <option value="">
              {say("release.release.choose-the-part-that-failed", "Choose the part that failed")}
            </option>
            {v.parts.map((p) => (
              <option key={p.item} value={p.item}>
                {told(p.name)}
              </option>
            ))}
          </select>
        </label>
      )}
      {how !== "yes" && (
        <label>
          {how === "no"
            ? say("release.release.what-was-found", "What was found")
            : say("release.release.what-it-waits-for", "What it waits for")}
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
          ? say("release.release.sign-and-release", "Sign and release")
          : how === "time"
            ? say("release.release.sign-release-for-a-limited-time", "Sign: release for a limited time")
            : say("release.release.sign-re-clean", "Sign: re-clean")}
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

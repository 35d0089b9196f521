import "./trouble.css";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useParams, useSearchParams } from "react-router";
import { api, type Schemas, unwrap } from "../api/client";
import * as enter from "../round/entries";
import { tabletNow } from "../round/outbox";
import { useSiteStream } from "../round/useSiteStream";
import { heard } from "../shared/kept";
import { keys } from "../shared/keys";
import { NotShown, Waiting } from "../shared/PageState";
import { say } from "../shared/say";
import { useClock, useSession } from "../shared/session";
import { sentence, told } from "../shared/texts";

type Symptom = Schemas["SymptomView"];
type Look = Schemas["LookStep"];

const STATES: Record<Look["state"], string> = {
  RUNNING: say("trouble.state.running", "running, hands away"),
  STOPPED: say("trouble.state.stopped", "stopped"),
  COLD: say("trouble.state.cold", "cold and switched off"),
  LOCKED_OUT: say("trouble.state.locked-out", "locked out and verified"),
};

const BECAUSE: Record<Look["because"], string> = {
  BEFORE: say("trouble.because.before", "It was this before"),
  PUT_BACK: say("trouble.because.put-back", "It went back at the last clean"),
  SHEET: say("trouble.because.sheet", "The machine sheet says so"),
};

/** What is wrong with a machine: one thing to look at after the other, each in the state that is safe for it. */
export default function Trouble() {
  const code = useParams().code ?? "";
  const [params, setParams] = useSearchParams();
  const clock = useClock();
  const trouble = useQuery({
    queryKey: keys.trouble(code),
    queryFn: () =>
      heard(`trouble/${code}`, () =>
        unwrap(api.GET("/api/machines/{code}/trouble", { params: { path: { code } } })),
      ),
  });
  if (trouble.isPending) {
    return <Waiting what={say("trouble.trouble.loading", "Reading the sheet and the log…")} />;
  }
  if (!trouble.data) {
    return (
      <NotShown
        what={say("trouble.trouble.cannot-be-shown", "This cannot be shown")}
        error={trouble.error}
        again={() => trouble.refetch()}
      />
    );
  }
  const t = trouble.data;
  const chosen = t.symptoms.find((s) => s.id === params.get("symptom"));
  const nothing = t.symptoms.length + t.faults.length + t.signs.length === 0;
  return (
    <main className="trouble">
      <p className="no-print">
        <Link to={`/machines/${code}`}>{say("trouble.trouble.to-the-machine", "To {0}", code)}</Link>
      </p>
      <h1>{say("trouble.trouble.title", "What is wrong with {0} {1}?", t.code, told(t.name))}</h1>
      {t.last && (
        <p className="quiet">
          {say(
            "trouble.trouble.last-clean",
            "Last apart: {0}, {1} at {2}, {3}.",
            told(t.last.title),
            clock.day(t.last.at),
            clock.time(t.last.at),
            t.last.who,
          )}
        </p>
      )}
      {nothing && (
        <p>
          {say(
            "trouble.trouble.nothing-told",
            "The sheet of this machine tells no symptom, fault text or sign yet. Stop it, and call who looks after it.",
          )}
        </p>
      )}
      {chosen ? (
        <Looking
          key={chosen.id}
          code={code}
          name={told(t.name)}
          symptom={chosen}
          onOther={() => setParams({})}
        />
      ) : (
        <>
          {t.symptoms.length > 0 && (
            <section aria-label={say("trouble.trouble.symptoms", "Symptoms")}>
              <h2>{say("trouble.trouble.what-is-seen", "What is seen or heard")}</h2>
              <ul className="symptoms">
                {t.symptoms.map((s) => (
                  <li key={s.id}>
                    <button className="btn" type="button" onClick={() => setParams({ symptom: s.id })}>
                      {told(s.symptom)}
                    </button>
                  </li>
                ))}
              </ul>
            </section>
          )}
          {t.faults.length > 0 && (
            <section aria-label={say("trouble.trouble.fault-texts", "Fault texts")}>
              <h2>{say("trouble.trouble.what-it-shows", "What it shows")}</h2>
              <dl className="faults">
                {t.faults.map((f) => (
                  <div key={f.text}>
                    <dt>{told(f.text)}</dt>
                    <dd>
                      {told(f.means)}. {f.cure && told(f.cure)}{" "}
                      {f.stop && <strong className="stop-word">{told(f.stop)}</strong>}
                    </dd>
                  </div>
                ))}
              </dl>
            </section>
          )}
          {t.signs.length > 0 && (
            <section aria-label={say("trouble.trouble.signs", "Signs")}>
              <h2>{say("trouble.trouble.normal-or-alarm", "Normal, or a warning")}</h2>
              <dl className="faults">
                {t.signs.map((s) => (
                  <div key={s.sign} className={s.normal ? "" : "warns"}>
                    <dt>{told(s.sign)}</dt>
                    <dd>
                      {s.normal
                        ? say("trouble.trouble.normal", "Normal: {0}.", told(s.means))
                        : say("trouble.trouble.warning", "A warning: {0}.", told(s.means))}{" "}
                      {told(s.then ?? "")}
                    </dd>
                  </div>
                ))}
              </dl>
            </section>
          )}
        </>
      )}
      <p className="quiet trouble-foot">
        {say(
          "trouble.trouble.stands-above",
          "The manual of the machine stands above this. Covers of live parts are opened by qualified people only.",
        )}
      </p>
    </main>
  );
}

type LookingProps = { code: string; name: string; symptom: Symptom; onOther: () => void };

/** One look at a time; what was looked at stands in the hand-over for service. */
function Looking({ code, name, symptom, onOther }: LookingProps) {
  const queries = useQueryClient();
  const session = useSession().data;
  const site = useSiteStream({ name: session?.name ?? "", person: session?.person, role: session?.role });
  const [at, setAt] = useState(0);
  const [found, setFound] = useState<Look | null>(null);
  const [kept, setKept] = useState(false);
  const step = symptom.steps[at];
  const writes = session !== undefined && session.role !== "AUDITOR";
  const keep = (look: Look) => {
    site.write(enter.troubleCured(code, symptom.id, look.look.english, look.part ?? undefined, tabletNow()));
    setKept(true);
    window.setTimeout(() => void queries.invalidateQueries({ queryKey: keys.trouble(code) }), 500);
  };
  const tried = symptom.steps.slice(0, at);
  return (
    <section aria-label={told(symptom.symptom)} aria-live="polite">
      <h2>
        {told(symptom.symptom)}{" "}
        <button className="btn small no-print" type="button" onClick={onOther}>
          {say("trouble.looking.something-else", "Something else")}
        </button>
      </h2>
      {found ? (
        <>
          <p className="look">{sentence(found.look)}</p>
          <p>
            {found.cure
              ? sentence(found.cure)
              : say("trouble.looking.put-it-right", "Put it right as the procedure says, and try again.")}
          </p>
          {kept && !site.refusal ? (
            <p className="note done" role="status">
              {say(
                "trouble.looking.kept",
                "Written down. The next time it stands first here, and before the step that puts this part back.",
              )}
            </p>
          ) : (
            <>
              {writes && (
                <button className="btn main" type="button" onClick={() => keep(found)}>
                  {say("trouble.looking.cured", "That cured it: write it down")}
                </button>
              )}{" "}
              <button
                className="btn"
                type="button"
                onClick={() => {
                  setFound(null);
                  setAt(at + 1);
                }}
              >
                {say("trouble.looking.still-wrong", "It is still wrong")}
              </button>
            </>
          )}
        </>
      ) : step ? (
        <>
          <p className="quiet">
            {say(
              "trouble.looking.nth",
              "Look {0} of {1}. {2}.",
              at + 1,
              symptom.steps.length,
              BECAUSE[step.because],
            )}
          </p>
          <p className={`must ${step.state === "LOCKED_OUT" ? "locked" : ""}`}>
            {say("trouble.looking.has-to-be", "The machine has to be {0}.", STATES[step.state])}
            {step.qualified && (
              <strong> {say("trouble.looking.qualified", "Only a qualified person looks here.")}</strong>
            )}
            {step.raised && (
              <small>
                {say(
                  "trouble.looking.raised",
                  "The part can hurt: whatever else is written, lock it out first.",
                )}
              </small>
            )}
          </p>
          <p className="look">{sentence(step.look)}?</p>
          <button className="btn main" type="button" onClick={() => setFound(step)}>
            {say("trouble.looking.it-is-so", "Yes, it is so")}
          </button>{" "}
          <button className="btn" type="button" onClick={() => setAt(at + 1)}>
            {say("trouble.looking.it-is-not", "No")}
          </button>
        </>
      ) : (
        <>
          <p className="note stop">
            {say(
              "trouble.looking.stop-and-call",
              "Stop here: leave the machine out of use and call service.",
            )}
          </p>
          <h3>{say("trouble.looking.hand-over", "For service")}</h3>
          <p>
            {code} {name}: {told(symptom.symptom)}
          </p>
          <ol className="tried">
            {tried.map((s) => (
              <li key={s.look.english}>
                {sentence(s.look)}: {say("trouble.looking.was-not", "looked at, that was not it")}
              </li>
            ))}
          </ol>
          <button className="btn no-print" type="button" onClick={() => window.print()}>
            {say("trouble.looking.print", "Print this for service")}
          </button>
        </>
      )}
      {site.refusal && (
        <p className="note stop" role="alert">
          {site.refusal}
        </p>
      )}
    </section>
  );
}

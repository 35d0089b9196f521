import { say } from "../shared/say";
import { told, useReading } from "../shared/texts";
import "./floor.css";
import { useQuery } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { Link, useLocation, useParams } from "react-router";
import { api, message, unwrap } from "../api/client";
import type { Actor, Pack } from "../round/core";
import { deviation, trouble } from "../round/entries";
import { type Round as Live, loadRound, useRound, type View } from "../round/useRound";
import { Who } from "../round/WhoGoesOn";
import { heard } from "../shared/kept";
import { keys } from "../shared/keys";
import { useSession } from "../shared/session";
import { Closing } from "./Closing";
import { Frame } from "./Frame";
import { PaperTime, usePaper } from "./FromPaper";
import { Locks } from "./Locks";
import { SettingsDialog } from "./SettingsDialog";
import { StepView } from "./StepView";
import { keepForGood, useStayAwake } from "./stayAwake";
import { Trouble } from "./Trouble";

export default function Round() {
  const { round = "" } = useParams();
  const session = useSession();
  const view = useQuery({
    queryKey: keys.round(round),
    queryFn: () => loadRound(round),
    gcTime: 0,
  });
  if (view.isError) {
    return (
      <main className="floor floor-state" role="alert">
        <h1>{say("floor.round.this-round-cannot-be-shown", "This round cannot be shown")}</h1>
        <p>{message(view.error)}</p>
        <button className="floor-btn" type="button" onClick={() => view.refetch()}>
          {say("floor.round.try-again", "Try again")}
        </button>
      </main>
    );
  }
  if (!view.data || !session.data?.name) {
    return (
      <main className="floor floor-state">{say("floor.round.loading-the-round", "Loading the round…")}</main>
    );
  }
  const { name, person, role } = session.data;
  return <Carry key={round} round={round} view={view.data} actor={{ name, person, role }} />;
}

/** The machine's sheet, for the picture of where; the last one heard of when there is no signal. Null while it comes. */
function useSheet(machine: string) {
  const { data, isPending } = useQuery({
    queryKey: keys.sheet(machine),
    queryFn: () =>
      heard(`sheet:${machine}`, () =>
        unwrap(api.GET("/api/machines/{code}", { params: { path: { code: machine } } })),
      ),
  });
  return isPending ? null : data;
}

function Carry({ round, view, actor }: { round: string; view: View; actor: Actor }) {
  const { pack } = view;
  useReading(pack.machine, pack.procedure);
  const session = useSession();
  const [paper, setPaper] = usePaper(round);
  const live = useRound(round, view, actor, paper);
  const { state } = live;
  useStayAwake();
  useEffect(() => void keepForGood(), []);
  const here = useLocation().pathname;
  const [looking, setLooking] = useState<string | null>(null);
  const [open, setOpen] = useState<"trouble" | "moved" | "locks" | "settings" | null>(null);
  const sheet = useSheet(pack.machine);
  const mayWork = session.data?.role === "CREW" || session.data?.role === "SUPERVISOR";

  // The step that comes next is shown anew whenever it changes, whoever did it.
  useEffect(() => setLooking(null), [state.current]);

  const currentIndex = pack.steps.findIndex((s) => s.id === state.current);
  const shownIndex = looking ? pack.steps.findIndex((s) => s.id === looking) : currentIndex;
  const step = shownIndex >= 0 ? pack.steps[shownIndex] : null;

  return (
    <Frame>
      <header className="floor-head">
        <h1>
          {pack.machine} {told(pack.title)}
        </h1>
        <Who />
        <span className="floor-grow" />
        {(live.lost || live.keptOfOthers.length > 0) && (
          <output className="floor-signal">
            {live.lost ? LOST[live.lost] : say("floor.round.kept-here", "kept here")}
            {live.kept > 0 &&
              `, ${say("floor.round.entries-kept", "{0, plural, one {# entry} other {# entries}} kept here", live.kept)}`}
            {live.keptOfOthers.length > 0 &&
              `; ${say("floor.round.those-of-are-sent-when-they", "those of {0} are sent when they sign in", live.keptOfOthers.join(", "))}`}
          </output>
        )}
        {live.lost === "signed out" && (
          <Link className="floor-leave" to="/sign-in" state={{ from: here }}>
            {say("floor.round.sign-in-again", "Sign in again")}
          </Link>
        )}
        {state.locks.length > 0 && (
          <button className="floor-leave" type="button" onClick={() => setOpen("locks")}>
            {say("floor.round.locks-on", "Locks on: {0}", state.locks.length)}
          </button>
        )}
        <button className="floor-leave" type="button" onClick={() => setOpen("settings")}>
          {say("floor.round.aa", "Aa")}
          <span className="sr-only">
            {say("floor.round.language-and-text-size", "Language and text size")}
          </span>
        </button>
        <Link className="floor-leave" to="/floor">
          {say("floor.round.machines", "Machines")}
        </Link>
      </header>
      {paper !== null && <PaperTime at={paper} onChange={setPaper} />}
      <Phases pack={pack} done={state.done} current={state.current} />
      {step ? (
        <StepView
          key={step.id}
          step={step}
          back={looking !== null && looking !== state.current}
          reader={!mayWork}
          pack={pack}
          live={live}
          actor={actor}
          sheet={sheet}
          onTrouble={() => setOpen("trouble")}
          onMoved={() => setOpen("moved")}
          onLocks={() => setOpen("locks")}
          onBack={shownIndex > 0 ? () => setLooking(pack.steps[shownIndex - 1].id) : null}
          onReturn={() => setLooking(null)}
        />
      ) : (
        <Closing round={round} pack={pack} live={live} mayWork={mayWork} />
      )}
      {(open === "trouble" || open === "moved") && (
        <Trouble
          pack={pack}
          state={state}
          first={open === "moved" ? "MACHINE_MOVED" : null}
          onClose={() => setOpen(null)}
          onSay={(kind, words, item) => {
            const at = state.current ?? pack.steps[pack.steps.length - 1].id;
            if (live.write(trouble(at, kind, words, item))) {
              setOpen(null);
            }
          }}
          onOtherwise={(reason) => {
            if (state.current && live.write(deviation(state.current, reason))) {
              setOpen(null);
            }
          }}
        />
      )}
      {open === "locks" && (
        <Locks round={round} pack={pack} live={live} actor={actor} onClose={() => setOpen(null)} />
      )}
      {open === "settings" && <SettingsDialog onClose={() => setOpen(null)} />}
    </Frame>
  );
}

type PhasesProps = { pack: Pack; done: string[]; current: string | undefined };

function Phases({ pack, done, current }: PhasesProps) {
  const names = [...new Set(pack.steps.map((s) => s.phase))];
  const now = pack.steps.find((s) => s.id === current)?.phase;
  return (
    <ol className="floor-phases">
      {names.map((n) => {
        const own = pack.steps.filter((s) => s.phase === n);
        const finished = own.filter((s) => done.includes(s.id)).length;
        const words =
          finished === own.length
            ? `✓ ${told(n)}`
            : n === now
              ? say("floor.round.of", "{0}, {1} of {2}", told(n), finished + 1, own.length)
              : told(n);
        return (
          <li
            key={n}
            style={{ flex: own.length + 2 }}
            className={n === now ? "now" : ""}
            aria-current={n === now ? "step" : undefined}
          >
            <span>{words}</span>
            <svg width="100%" height="6" preserveAspectRatio="none" viewBox="0 0 100 6" role="presentation">
              <rect width="100" height="6" className="phase-rest" />
              <rect
                width={(100 * finished) / own.length}
                height="6"
                className={finished === own.length ? "phase-done" : "phase-now"}
              />
            </svg>
          </li>
        );
      })}
    </ol>
  );
} /** Why nothing goes to the server just now. */
const LOST: Record<NonNullable<Live["lost"]>, string> = {
  "signed out": say("round.use-round.signed-out", "signed out"),
  "the server cannot write": say("round.use-round.the-server-cannot-write", "the server cannot write"),
  "no signal": say("round.use-round.no-signal", "no signal"),
};

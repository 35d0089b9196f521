import { say } from "../shared/say";
import { sentence, told } from "../shared/texts";
import "./floor.css";
import { useMutation, useQuery } from "@tanstack/react-query";
import { Link, useNavigate, useParams } from "react-router";
import { api, message, type Schemas, unwrap } from "../api/client";
import { sparesCounted } from "../round/entries";
import { type SiteStream, sparesOf, useSiteStream } from "../round/useSiteStream";
import { Who } from "../round/WhoGoesOn";
import { heard } from "../shared/kept";
import { keys } from "../shared/keys";
import { useClock, useSession } from "../shared/session";
import { Frame } from "./Frame";
import { StartFromPaper } from "./FromPaper";

const MOST = 999;

/** What to know before the first screw is turned: who may, with what on, with which spares. */
export default function Before() {
  const procedure = useParams().procedure ?? "";
  const session = useSession();
  const navigate = useNavigate();
  const view = useQuery({
    queryKey: keys.before(procedure),
    queryFn: () =>
      heard(`before:${procedure}`, () =>
        unwrap(api.GET("/api/floor/{procedure}", { params: { path: { procedure } } })),
      ),
  });
  const { name = "", person, role } = session.data ?? {};
  const site = useSiteStream({ name, person, role });
  const start = useMutation({
    mutationFn: () => unwrap(api.POST("/api/rounds", { body: { procedure } })),
    onSuccess: (round) => navigate(`/floor/${round.state.id}`, { replace: true }),
  });
  const v = view.data;

  return (
    <Frame>
      <header className="floor-head">
        <h1>
          {v ? `${v.machine} ${told(v.title)}` : say("floor.before.before-you-start", "Before you start")}
        </h1>
        <Who />
        <span className="floor-grow" />
        <Link className="floor-leave" to="/floor">
          {say("floor.before.machines", "Machines")}
        </Link>
      </header>
      {view.isPending && <p className="floor-state">{say("floor.before.loading", "Loading…")}</p>}
      {view.isError && (
        <div className="floor-state" role="alert">
          <p>{message(view.error)}</p>
          <button className="floor-btn" type="button" onClick={() => view.refetch()}>
            {say("floor.before.try-again", "Try again")}
          </button>
        </div>
      )}
      {v && (
        <>
          <div className="before">
            <section aria-label={say("floor.before.before-you-start", "Before you start")}>
              <p className="before-verb">{say("floor.before.before-you-start", "Before you start")}</p>
              <p>
                {say(
                  "floor.before.steps-and-minutes",
                  "{0, plural, one {# step} other {# steps}}, about {1, plural, one {# minute} other {# minutes}}",
                  v.steps,
                  Math.round(v.minutes),
                )}
              </p>
              {v.fitted.length > 0 && (
                <>
                  <h2>
                    {say("floor.before.check-that-it-is-fitted-like", "Check that it is fitted like this")}
                  </h2>
                  <p>{v.fitted.map(told).join(", ")}</p>
                </>
              )}
              <h2>{say("floor.before.ppe-to-wear", "PPE to wear")}</h2>
              <List
                of={v.ppe}
                none={say(
                  "floor.before.the-products-ask-for-nothing-more",
                  "The products ask for nothing more than your work clothes.",
                )}
              />
              {v.spares.length > 0 && (
                <>
                  <h2>{say("floor.before.spare-wear-parts-count-them", "Spare wear parts: count them")}</h2>
                  <ul className="spares">
                    {v.spares.map((s) => (
                      <Spare key={s.part} machine={v.machine} spare={s} site={site} />
                    ))}
                  </ul>
                </>
              )}
              <h2>{say("floor.before.trained-on-this-machine", "Trained on this machine")}</h2>
              <p>
                {v.trained.length > 0
                  ? v.trained.join(", ")
                  : say(
                      "floor.before.nobody-yet-a-supervisor-has-to",
                      "Nobody yet; a supervisor has to start it.",
                    )}
              </p>
            </section>
            <section aria-label={say("floor.before.what-to-bring", "What to bring")}>
              <h2>{say("floor.before.what-to-bring", "What to bring")}</h2>
              <List of={v.things} none={say("floor.before.nothing-is-named", "Nothing is named.")} />
            </section>
          </div>
          <div className="floor-strip">
            {start.isError && (
              <p className="floor-refusal" role="alert">
                {message(start.error)}
              </p>
            )}
            {site.refusal && (
              <p className="floor-refusal" role="alert">
                {site.refusal}
              </p>
            )}
            {!v.openRound && v.whyNot && <p className="floor-refusal">{sentence(v.whyNot)}</p>}
          </div>
          <footer className="floor-foot before-foot">
            <Link className="floor-btn" to="/floor">
              {say("floor.before.back", "Back")}
            </Link>
            {!v.openRound && !v.whyNot && <StartFromPaper procedure={procedure} />}
            {v.openRound ? (
              <button
                className="floor-btn now"
                type="button"
                onClick={() => navigate(`/floor/${v.openRound}`, { replace: true })}
              >
                {say("floor.before.it-is-being-cleaned-join-in", "It is being cleaned: join in")}
              </button>
            ) : (
              <button
                className="floor-btn now"
                type="button"
                disabled={v.whyNot !== undefined || start.isPending}
                onClick={() => start.mutate()}
              >
                {say("floor.before.start-the-round", "Start the round")}
              </button>
            )}
          </footer>
        </>
      )}
    </Frame>
  );
}

function List({ of, none }: { of: string[]; none: string }) {
  if (of.length === 0) {
    return <p>{none}</p>;
  }
  return (
    <ul className="floor-things">
      {of.map((x) => (
        <li key={x}>{told(x)}</li>
      ))}
    </ul>
  );
}

type SpareProps = { machine: string; spare: Schemas["Spare"]; site: SiteStream };

/** How many lie there; each tap is written down, with or without signal. */
function Spare({ machine, spare, site }: SpareProps) {
  const clock = useClock();
  const counted = sparesOf(site.newest, machine, spare.part);
  // A count from before it was an entry of the log comes with the view.
  const known = counted ?? (spare.at ? { count: spare.count, at: spare.at, who: spare.who } : undefined);
  const lacking = spare.replaced > (known?.count ?? 0);
  const name = told(spare.name);
  const to = (n: number) => site.write(sparesCounted(machine, spare.part, Math.min(MOST, Math.max(0, n))));
  return (
    <li className={lacking ? "lacking" : ""}>
      <span>
        {name}
        <small>
          {lacking
            ? say("floor.before.this-round-uses-new", "This round uses {0} new.", spare.replaced)
            : known
              ? say("floor.before.counted-by", "counted {0} by {1}", clock.day(known.at), known.who ?? "")
              : say("floor.before.not-counted-yet", "not counted yet")}
        </small>
      </span>
      <button
        className="floor-btn"
        type="button"
        aria-label={say("floor.before.less", "{0} less", name)}
        disabled={!known?.count}
        onClick={() => to((known?.count ?? 0) - 1)}
      >
        −
      </button>
      <output aria-label={say("floor.before.in-stock", "{0} in stock", name)}>{known?.count ?? "?"}</output>
      <button
        className="floor-btn"
        type="button"
        aria-label={say("floor.before.more", "{0} more", name)}
        onClick={() => to((known?.count ?? -1) + 1)}
      >
        +
      </button>
    </li>
  );
}

import { useQuery } from "@tanstack/react-query";
import { Link, useParams, useSearchParams } from "react-router";
import { api, type CoreText, type Schemas, unwrap } from "../api/client";
import { InLanguages } from "../shared/InLanguages";
import { OutlineDrawing } from "../shared/OutlineDrawing";
import { NotShown, Waiting } from "../shared/PageState";
import { PrintMenu } from "../shared/PrintMenu";
import { say } from "../shared/say";
import { useSession } from "../shared/session";
import { sentence, told, useReading } from "../shared/texts";
import { MapView } from "./MapView";
import "./machines.css";
import { keys } from "../shared/keys";

/** One machine: how it comes apart, what each part is, what feeds it and where that is cut. */
export default function Machine() {
  const { code = "" } = useParams();
  useReading(code);
  const session = useSession();
  const [params, setParams] = useSearchParams();
  const sheet = useQuery({
    queryKey: keys.sheet(code),
    queryFn: () => unwrap(api.GET("/api/machines/{code}", { params: { path: { code } } })),
  });
  const fitted = params.getAll("fitted");
  const map = useQuery({
    queryKey: keys.map(code, fitted),
    queryFn: () =>
      unwrap(api.GET("/api/machines/{code}/map", { params: { path: { code }, query: { fitted } } })),
    placeholderData: (before) => before,
  });
  const picked = params.get("at");
  const failed = [sheet, map].find((q) => q.isError);

  function pick(id: string) {
    const next = new URLSearchParams(params);
    next.set("at", id);
    setParams(next, { replace: true });
  }

  function choose(group: string, option: string) {
    const next = new URLSearchParams(params);
    next.delete("fitted");
    for (const f of [...fitted.filter((x) => !x.startsWith(`${group}:`)), `${group}:${option}`]) {
      next.append("fitted", f);
    }
    setParams(next, { replace: true });
  }

  if (failed) {
    return (
      <NotShown
        what={say("machines.machine.this-machine-cannot-be-shown", "This machine cannot be shown")}
        error={failed.error}
      >
        <Link className="btn" to="/procedures">
          {say("machines.machine.all-machines", "All machines")}
        </Link>
      </NotShown>
    );
  }
  if (!sheet.data || !map.data) {
    return <Waiting what={say("machines.machine.loading-the-machine", "Loading the machine…")} />;
  }
  const s = sheet.data;
  const part = map.data.nodes.find((n) => n.id === picked);
  const energy = map.data.energies.find((e) => e.id === picked);
  return (
    <main className="page machine">
      <div className="page-head">
        <h1>
          {s.code} {told(s.name)}
        </h1>
        <span className="grow" />
        <InLanguages document={s.code} />
        <PrintMenu
          languages
          prints={[
            [
              say("machines.machine.lockout-sheet", "Lockout sheet"),
              `/api/prints/machines/${s.code}/lockout.pdf`,
            ],
            [
              say("machines.machine.label-for-the-tablets-camera", "Label for the tablet’s camera"),
              `/api/prints/machines/${s.code}/label.pdf`,
            ],
            [
              say("machines.machine.brush-chart", "Brush chart"),
              `/api/prints/machines/${s.code}/brushes.pdf`,
            ],
          ]}
        />
        <Link className="btn" to={`/machines/${s.code}/trouble`}>
          {say("machines.machine.what-is-wrong", "What is wrong?")}
        </Link>
        {session.data?.role === "SUPERVISOR" && (
          <Link className="btn" to={`/machines/${s.code}/sheet`}>
            {say("machines.machine.edit-the-sheet", "Edit the sheet")}
          </Link>
        )}
      </div>
      <p className="quiet">
        {say("machines.machine.sheet-version", "Sheet version {0}", s.version)}
        {s.configuration && `: ${told(s.configuration)}`}
      </p>
      {s.options.length > 0 && (
        <div className="machine-options">
          {s.options.map((g) => (
            <Switches key={g.id} group={g} fitted={fitted} onChoose={choose} />
          ))}
        </div>
      )}
      <div className="machine-body">
        <section
          aria-label={say("machines.machine.take-apart-map", "Take-apart map")}
          className="machine-map"
        >
          <h2>{say("machines.machine.how-it-comes-apart", "How it comes apart")}</h2>
          <p className="quiet">
            {say(
              "machines.machine.from-left-to-right-what-comes",
              "From left to right, what comes off first; below, what stays on. Pick a part.",
            )}
          </p>
          <MapView map={map.data} picked={picked} lit={energy?.parts ?? []} onPick={pick} />
          <ul className="map-legend" aria-label={say("machines.machine.legend", "Legend")}>
            <li>
              <span className="map-key contact" /> {say("machines.machine.food-contact", "food-contact")}
            </li>
            <li>
              <span className="map-key guard" /> {say("machines.machine.guard", "guard")}
            </li>
            <li>
              <span className="map-key aside" /> {say("machines.machine.moves-aside", "moves aside")}
            </li>
            <li>
              <b aria-hidden="true">△</b> {say("machines.machine.can-hurt", "can hurt")}
            </li>
            <li>
              <span className="map-key go" /> {say("machines.machine.in-one-go", "comes off in one go")}
            </li>
            {map.data.energies.length > 0 && (
              <li>
                <span className="map-energies" aria-hidden="true">
                  <i>1</i>
                </span>{" "}
                {say("machines.machine.moved-by", "this energy reaches it")}
              </li>
            )}
          </ul>
          <h2>
            {say(
              "machines.machine.power-and-stored-energy-and-where",
              "Power and stored energy, and where to lock it out",
            )}
          </h2>
          {map.data.energies.length === 0 && (
            <p className="quiet">
              {say("machines.machine.no-energy", "Nothing drives it and nothing is stored in it.")}
            </p>
          )}
          <ul className="machine-energies">
            {map.data.energies.map((e, i) => (
              <li key={e.id}>
                <span className="map-energies" aria-hidden="true">
                  <i>{i + 1}</i>
                </span>
                <button
                  type="button"
                  className="link"
                  aria-pressed={picked === e.id}
                  onClick={() => pick(e.id)}
                >
                  {told(e.name)}
                </button>
                <ul>
                  {e.sentences.map((t) => (
                    <li key={t.english}>{sentence(t)}</li>
                  ))}
                </ul>
              </li>
            ))}
          </ul>
        </section>
        <aside className="machine-part" aria-live="polite" aria-label={say("machines.machine.part", "Part")}>
          {s.outline && (
            <OutlineDrawing
              outline={s.outline}
              lit={part ? [part.id] : (energy?.parts ?? [])}
              label={say("machines.machine.drawing", "Drawing; what is picked is lit")}
              onPick={pick}
            />
          )}
          {part ? (
            <Detail title={told(part.name)} sentences={part.sentences} more={part.surfaces} />
          ) : energy ? (
            <Detail title={told(energy.name)} sentences={energy.sentences} more={[]} />
          ) : (
            <p className="quiet">
              {say(
                "machines.machine.pick-a-part-or-an-energy",
                "Pick a part or an energy: what it is, what to mind, where it goes.",
              )}
            </p>
          )}
        </aside>
      </div>
    </main>
  );
}

type SwitchProps = {
  group: Schemas["OptionView"];
  fitted: string[];
  onChoose: (group: string, option: string) => void;
};

function Switches({ group, fitted, onChoose }: SwitchProps) {
  const chosen = fitted.find((f) => f.startsWith(`${group.id}:`))?.split(":")[1] ?? group.fitted;
  return (
    <fieldset className="switches">
      <legend>{told(group.name)}</legend>
      {group.choices.map((o) => (
        <label key={o.id}>
          <input
            type="radio"
            name={group.id}
            checked={chosen === o.id}
            onChange={() => onChoose(group.id, o.id)}
          />
          {told(o.name)}
          {o.id === group.fitted && (
            <span className="quiet"> {say("machines.machine.fitted", "(fitted)")}</span>
          )}
        </label>
      ))}
    </fieldset>
  );
}

function Detail({ title, sentences, more }: { title: string; sentences: CoreText[]; more: CoreText[] }) {
  return (
    <>
      <h2>{title}</h2>
      <ul className="sentences">
        {sentences.map((t) => (
          <li key={t.english}>{sentence(t)}</li>
        ))}
      </ul>
      {more.length > 0 && (
        <>
          <h3>{say("machines.machine.its-surfaces", "Its surfaces")}</h3>
          <ul className="sentences">
            {more.map((t) => (
              <li key={t.english}>{sentence(t)}</li>
            ))}
          </ul>
        </>
      )}
    </>
  );
}

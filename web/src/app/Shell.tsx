import { say } from "../shared/say";
import "./shell.css";
import { Suspense } from "react";
import { NavLink, Outlet, useLocation } from "react-router";
import { message } from "../api/client";
import { useSession, useSignOut, useSite } from "../shared/session";
import { set, useLanguage } from "../shared/settings";
import { useLanguages } from "../shared/texts";
import { Alarms } from "./Alarms";
import { Palette } from "./Palette";

/** On this device, for whoever uses it; the site says what it is until somebody chooses. */
function Language() {
  const others = useLanguages().data ?? [];
  const language = useLanguage();
  return (
    others.length > 0 && (
      <select
        className="bar-language"
        aria-label={say("app.shell.language", "Language")}
        value={language}
        onChange={(e) => set({ language: e.currentTarget.value })}
      >
        <option value="en">EN – English</option>
        {others.map((l) => (
          <option key={l.code} value={l.code}>
            {l.code.toUpperCase()} – {l.name}
          </option>
        ))}
      </select>
    )
  );
}

/** The desk: one bar of places in the order of the work, and who is here. */
export function Shell() {
  const session = useSession();
  const site = useSite();
  const leave = useSignOut();
  // A machine and a procedure both come from the one shelf.
  const { pathname } = useLocation();
  const onShelf = /^\/(machines|procedures)/.test(pathname);
  const onBoard = /^\/(board|release)/.test(pathname);

  return (
    <div className="desk">
      <header className="bar">
        <span className="bar-name">{say("app.shell.orthopur", "Orthopur")}</span>
        <nav aria-label={say("app.shell.places", "Places")}>
          <NavLink to="/tonight">{say("app.shell.tonight", "Tonight")}</NavLink>
          <NavLink to="/procedures" className={onShelf ? "active" : ""}>
            {say("app.shell.machines-and-procedures", "Machines and procedures")}
          </NavLink>
          <NavLink to="/due">{say("app.shell.due", "Due")}</NavLink>
          <NavLink to="/mixing">{say("app.shell.mixing", "Mixing")}</NavLink>
          <NavLink to="/floor">{say("app.shell.floor", "Floor")}</NavLink>
          <NavLink to="/board" className={onBoard ? "active" : ""}>
            {say("app.shell.board", "Board")}
          </NavLink>
          <NavLink to="/logbook">{say("app.shell.logbook", "Logbook")}</NavLink>
          <NavLink to="/chemicals">{say("app.shell.chemicals", "Chemicals")}</NavLink>
          <NavLink to="/rulebook">{say("app.shell.rule-book", "Rule book")}</NavLink>
          {session.data?.role === "SUPERVISOR" && (
            <NavLink to="/people">{say("app.shell.people", "People")}</NavLink>
          )}
        </nav>
        <span className="bar-who">
          <NavLink to="/mine" title={say("app.shell.your-pin-and-password", "Your PIN and password")}>
            {session.data?.name}
          </NavLink>
          <span className="quiet"> · {site.data?.name ?? ""}</span>
        </span>
        <Language />
        <button className="bar-out" type="button" onClick={() => leave.mutate()}>
          {say("app.shell.sign-out", "Sign out")}
        </button>
      </header>
      {leave.isError && (
        <p className="note stop" role="alert">
          {say("app.shell.you-are-still-signed-in", "You are still signed in. {0}", message(leave.error))}
        </p>
      )}
      <Palette />
      {(session.data?.role === "SUPERVISOR" || session.data?.role === "QA") && <Alarms />}
      <Suspense fallback={<main className="page-state">{say("app.shell.loading", "Loading…")}</main>}>
        <Outlet />
      </Suspense>
    </div>
  );
}

import { say } from "../shared/say";
import "./shell.css";
import { Suspense } from "react";
import { NavLink, Outlet } from "react-router";
import { message } from "../api/client";
import { useSession, useSignOut, useSite } from "../shared/session";
import { Alarms } from "./Alarms";
import { Palette } from "./Palette";

/** The desk: one bar of places in the order of the work, and who is here. */
export function Shell() {
  const session = useSession();
  const site = useSite();
  const leave = useSignOut();

  return (
    <div className="desk">
      <header className="bar">
        <span className="bar-name">{say("app.shell.orthopur", "Orthopur")}</span>
        <nav aria-label={say("app.shell.places", "Places")}>
          <NavLink to="/machines">{say("app.shell.machines", "Machines")}</NavLink>
          <NavLink to="/procedures">{say("app.shell.procedures", "Procedures")}</NavLink>
          <NavLink to="/floor">{say("app.shell.floor", "Floor")}</NavLink>
          <NavLink to="/board">{say("app.shell.board", "Board")}</NavLink>
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

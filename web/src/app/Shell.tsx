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
        <span className="bar-name">Orthopur</span>
        <nav aria-label="Places">
          <NavLink to="/machines">Machines</NavLink>
          <NavLink to="/procedures">Procedures</NavLink>
          <NavLink to="/floor">Floor</NavLink>
          <NavLink to="/board">Board</NavLink>
          <NavLink to="/logbook">Logbook</NavLink>
          <NavLink to="/chemicals">Chemicals</NavLink>
          <NavLink to="/rulebook">Rule book</NavLink>
          {session.data?.role === "SUPERVISOR" && <NavLink to="/people">People</NavLink>}
        </nav>
        <span className="bar-who">
          <NavLink to="/mine" title="Your PIN and password">
            {session.data?.name}
          </NavLink>
          <span className="quiet"> · {site.data?.name ?? ""}</span>
        </span>
        <button className="bar-out" type="button" onClick={() => leave.mutate()}>
          Sign out
        </button>
      </header>
      {leave.isError && (
        <p className="note stop" role="alert">
          You are still signed in. {message(leave.error)}
        </p>
      )}
      <Palette />
      {(session.data?.role === "SUPERVISOR" || session.data?.role === "QA") && <Alarms />}
      <Suspense fallback={<main className="page-state">Loading…</main>}>
        <Outlet />
      </Suspense>
    </div>
  );
}

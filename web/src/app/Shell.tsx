import "./shell.css";
import { useQueryClient } from "@tanstack/react-query";
import { Suspense } from "react";
import { NavLink, Outlet, useNavigate } from "react-router";
import { api, unwrap } from "../api/client";
import { Alarms } from "./Alarms";
import { Palette } from "./Palette";
import { useSession, useSite } from "./session";

/** The desk: one bar of places in the order of the work, and who is here. */
export function Shell() {
  const session = useSession();
  const site = useSite();
  const queries = useQueryClient();
  const navigate = useNavigate();

  async function leave() {
    await unwrap(api.DELETE("/api/session"));
    queries.clear();
    navigate("/sign-in");
  }

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
        <button className="bar-out" type="button" onClick={leave}>
          Sign out
        </button>
      </header>
      <Palette />
      {(session.data?.role === "SUPERVISOR" || session.data?.role === "QA") && <Alarms />}
      <Suspense fallback={<main className="page-state">Loading…</main>}>
        <Outlet />
      </Suspense>
    </div>
  );
}

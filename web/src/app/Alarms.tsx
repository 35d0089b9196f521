import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";
import { api, unwrap } from "../api/client";

/*
 * Asked for rather than pushed: a browser has few connections to one server, and somebody with many tabs
 * open would use them up.
 */
const EVERY = 15_000;

/** What a supervisor has to know at once, wherever they are at the desk. */
export function Alarms() {
  const [seen, setSeen] = useState<string[]>([]);
  const board = useQuery({
    queryKey: ["board"],
    queryFn: () => unwrap(api.GET("/api/board")),
    refetchInterval: EVERY,
  });
  const all = (board.data ?? [])
    .flatMap((m) =>
      m.alarms.map((text) => ({ key: `${m.code} ${text}`, code: m.code, round: m.round, text })),
    )
    .filter((a) => !seen.includes(a.key));
  if (all.length === 0) {
    return null;
  }
  return (
    <div className="alarms" role="alert">
      {all.map((a) => (
        <p key={a.key}>
          <b>{a.code}</b> {a.text}{" "}
          {a.round && (
            <Link to={`/floor/${a.round}`}>
              To the round<span className="sr-only"> at {a.code}</span>
            </Link>
          )}
          <button className="btn small" type="button" onClick={() => setSeen([...seen, a.key])}>
            I know<span className="sr-only"> of {a.code}</span>
          </button>
        </p>
      ))}
    </div>
  );
}

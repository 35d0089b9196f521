import { useQuery } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { Link } from "react-router";
import { api, unwrap } from "../api/client";
import { beep } from "../shared/beep";
import { keys } from "../shared/keys";
import { say } from "../shared/say";
import { sentence } from "../shared/texts";

/*
 * Asked for rather than pushed: a browser has few connections to one server, and somebody with many tabs
 * open would use them up.
 */
const EVERY = 15_000;

/**
 * What a supervisor or quality has to know at once, on every screen on which they are signed in, and to be
 * heard until somebody says that they know.
 *
 * @param over lies above the page, where the page takes the whole screen
 */
export function Alarms({ over = false }: { over?: boolean }) {
  const [seen, setSeen] = useState<string[]>([]);
  const board = useQuery({
    queryKey: keys.board(),
    queryFn: () => unwrap(api.GET("/api/board")),
    refetchInterval: EVERY,
  });
  const all = (board.data ?? [])
    .flatMap((m) =>
      m.alarms.map((text) => ({ key: `${m.code} ${text.english}`, code: m.code, round: m.round, text })),
    )
    .filter((a) => !seen.includes(a.key));
  const calls = all.map((a) => a.key).join("\n");
  useEffect(() => {
    if (calls === "") {
      return;
    }
    beep();
    const again = setInterval(beep, EVERY);
    return () => clearInterval(again);
  }, [calls]);
  if (all.length === 0) {
    return null;
  }
  return (
    <div className={over ? "alarms over" : "alarms"} role="alert">
      {all.map((a) => (
        <p key={a.key}>
          <b>{a.code}</b> {sentence(a.text)}{" "}
          {a.round && (
            <Link to={`/floor/${a.round}`}>
              {say("app.alarms.to-the-round", "To the round")}
              <span className="sr-only"> {say("app.alarms.at", "at {0}", a.code)}</span>
            </Link>
          )}
          <button className="btn small" type="button" onClick={() => setSeen([...seen, a.key])}>
            {say("app.alarms.acknowledge", "Acknowledge")}
            <span className="sr-only"> {say("app.alarms.of", "of {0}", a.code)}</span>
          </button>
        </p>
      ))}
    </div>
  );
}

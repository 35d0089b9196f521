import { useState } from "react";
import { Link } from "react-router";
import { message } from "../api/client";
import type { Pack } from "../round/core";
import { pieceOn, roundClosed } from "../round/entries";
import { asSent, send } from "../round/outbox";
import type { Round } from "../round/useRound";
import { say } from "../shared/say";
import { told } from "../shared/texts";
import { Hold } from "./Hold";

type Props = { round: string; pack: Pack; live: Round; mayWork: boolean };

/** All steps are done: what is still off or unsent, and the signature that hands it over. */
export function Closing({ round, pack, live, mayWork }: Props) {
  const [pin, setPin] = useState("");
  const [error, setError] = useState<string | null>(null);
  const { state } = live;
  const last = pack.steps[pack.steps.length - 1];

  async function close() {
    setError(null);
    try {
      const sent = { ...asSent(live.server.packHash, roundClosed(last.id)), pin };
      live.take(await send(round, sent));
    } catch (e) {
      setError(message(e));
    } finally {
      setPin("");
    }
  }

  if (state.status !== "OPEN") {
    return (
      <section className="floor-state">
        <h2>{say("floor.closing.closed-and-signed", "Closed and signed")}</h2>
        <p>
          {state.status === "WAITING"
            ? say(
                "floor.closing.somebody-else-inspects-it-now-and",
                "Somebody else inspects it now and releases it. The round is in the logbook.",
              )
            : say(
                "floor.closing.it-is-released-the-round-is",
                "It is released. The round is in the logbook.",
              )}
        </p>
        <div className="pad-grid">
          <Link className="floor-btn now" to={`/logbook/${round}`}>
            {say("floor.closing.read-the-record", "Read the record")}
          </Link>
          <Link className="floor-btn" to="/floor">
            {say("floor.closing.machines", "Machines")}
          </Link>
        </div>
      </section>
    );
  }
  return (
    <section className="floor-state">
      <h2>{say("floor.closing.all-steps-are-done", "All {0} steps are done", pack.steps.length)}</h2>
      {state.off.length > 0 && (
        <div>
          <p className="floor-caution">
            {say(
              "floor.closing.not-back-yet-the-round-stays",
              "Not back yet. The round stays open until every piece is; tap it when it is.",
            )}
          </p>
          <div className="floor-pieces">
            {pack.steps
              .flatMap((s) => s.off.map((x) => ({ step: s.id, ...x })))
              .filter((x, i, all) => state.off.includes(x.key) && all.findIndex((y) => y.key === x.key) === i)
              .map((x) => (
                <button
                  key={x.key}
                  className="piece"
                  type="button"
                  onClick={() => live.write(pieceOn(x.step, x.key))}
                >
                  {say("floor.closing.is-back", "{0} is back", told(x.name))}
                </button>
              ))}
          </div>
        </div>
      )}
      {live.kept > 0 ? (
        <p className="floor-caution">
          {say(
            "floor.closing.handing-over-takes-a-connection-entries",
            "Handing over takes a connection. {0, plural, one {# entry is} other {# entries are}} kept here and sent first; go where there is signal.",
            live.kept,
          )}
        </p>
      ) : (
        <p>
          {say("floor.closing.your-pin-signs-the-round-and", "Your PIN signs the round and hands it over.")}
        </p>
      )}
      <label className="pad-other">
        {say("floor.closing.pin", "PIN")}
        <input
          type="password"
          inputMode="numeric"
          autoComplete="off"
          maxLength={12}
          value={pin}
          disabled={!mayWork}
          onChange={(e) => setPin(e.currentTarget.value)}
        />
      </label>
      {error && (
        <p className="floor-refusal" role="alert">
          {error}
        </p>
      )}
      <Hold
        label={say("floor.closing.hold-sign-and-close", "Hold: sign and close")}
        ready
        disabled={pin.length < 4 || live.kept > 0 || !mayWork}
        onDone={close}
      />
    </section>
  );
}

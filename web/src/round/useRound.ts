import { useCallback, useEffect, useMemo, useReducer, useRef, useState } from "react";
import { ApiProblem, api, Offline, type Schemas, unwrap } from "../api/client";
import { recall, remember } from "../shared/kept";
import { useLive } from "../shared/live";
import { sentence } from "../shared/texts";
import { type Actor, type Made, next, onTop, type State } from "./core";
import {
  answered,
  crossedOff,
  type Known,
  knownAtFirst,
  noted,
  restored,
  sentElsewhere,
  written,
} from "./known";
import { asSent, flush, note, type RoundState, tabletNow, waiting } from "./outbox";
import { bounced, type Press, press } from "./press";

export type View = Schemas["RoundView"];

const RETRY = 4000;

/** The round from the server, or as this device heard of it last. */
export async function loadRound(round: string): Promise<View> {
  try {
    const view = await unwrap(api.GET("/api/rounds/{id}", { params: { path: { id: round } } }));
    await remember(`round:${round}`, { ...view, heard: tabletNow() });
    return view;
  } catch (e) {
    const known = await recall<View & { heard: number }>(`round:${round}`);
    if (known && e instanceof Offline) {
      const skew = known.state.now - known.heard;
      return { ...known, state: { ...known.state, now: tabletNow() + skew } };
    }
    throw e;
  }
}

export type Round = {
  state: State;
  server: RoundState;
  /** Epoch milliseconds by the server's clock. */
  at: number;
  kept: number;
  keptOfOthers: string[];
  lost: "no signal" | "signed out" | "the server cannot write" | null;
  refusal: string | null;
  setRefusal: (text: string | null) => void;
  /** Takes an entry in here and now; false when it does not fit, and then the refusal says why. */
  write: (made: Made) => boolean;
  take: (state: RoundState) => void;
};

/**
 * A round that goes on with or without the server: what is waiting is folded onto what the server has said.
 *
 * @param paper the time that stands on the paper from which it is entered, by the server's clock; null for now
 */
export function useRound(round: string, view: View, actor: Actor, paper: number | null = null): Round {
  const who = actor.name;
  const { pack } = view;
  const known = useRef(knownAtFirst(view.state, tabletNow()));
  const [version, redraw] = useReducer((n: number) => n + 1, 0);
  const [refusal, setRefusal] = useState<string | null>(null);
  const [lost, setLost] = useState<Round["lost"]>(null);
  const [now, setNow] = useState(tabletNow());

  const know = useCallback((next: Known) => {
    known.current = next;
    redraw();
  }, []);

  const take = useCallback(
    (next: RoundState) => {
      know(answered(known.current, next, tabletNow()));
      void remember(`round:${round}`, { pack, state: known.current.server, heard: tabletNow() });
    },
    [know, pack, round],
  );

  const push = useCallback(async () => {
    try {
      await flush(round, who, (ids, state, told) => {
        known.current = crossedOff(known.current, ids);
        take(state);
        if (told.length > 0) {
          setRefusal(told.map(sentence).join(" "));
        }
      });
      setLost(null);
    } catch (e) {
      const status = e instanceof ApiProblem ? e.status : 0;
      setLost(status === 401 ? "signed out" : status === 503 ? "the server cannot write" : "no signal");
    }
  }, [round, take, who]);

  const rung = useCallback(
    async (what: string) => {
      if (what !== "" && what !== round) {
        return;
      }
      try {
        // The store is read first: what is gone from it by then is in the answer that is asked for after.
        const before = known.current.noted;
        const still = await waiting(round);
        const { state } = await unwrap(api.GET("/api/rounds/{id}", { params: { path: { id: round } } }));
        known.current = sentElsewhere(known.current, before, still);
        take(state);
        await push();
      } catch {
        // No signal: what is known here goes on.
      }
    },
    [push, round, take],
  );
  useLive(rung);

  useEffect(() => {
    void waiting(round).then((stored) => {
      know(restored(known.current, stored));
      return push();
    });
    const tick = window.setInterval(() => setNow(tabletNow()), 1000);
    const retry = window.setInterval(async () => {
      if ((await waiting(round)).length > 0) {
        void push();
      }
    }, RETRY);
    return () => {
      window.clearInterval(tick);
      window.clearInterval(retry);
    };
  }, [know, push, round]);

  const fresh = useCallback(() => {
    const { server, queue, skew } = known.current;
    return queue.length === 0
      ? server.progress
      : onTop(
          pack,
          server.progress,
          queue.map((w) => ({
            entry: w.sent as Made,
            at: w.sent.tabletTime + skew,
            actor: { name: w.who, person: w.person, role: w.role },
          })),
        );
  }, [pack]);
  const state = useMemo(fresh, [fresh, version]);
  const { server, queue, skew } = known.current;

  const last = useRef<Press | null>(null);
  const write: Round["write"] = (made) => {
    const pressed = press(made, tabletNow());
    const sent = asSent(
      known.current.server.packHash,
      made,
      paper === null ? null : paper - known.current.skew,
    );
    const answer = next(pack, fresh(), made, sent.tabletTime + known.current.skew, actor);
    if (!answer.state) {
      if (!bounced(last.current, pressed)) {
        setRefusal(sentence(answer.refused));
      }
      return false;
    }
    last.current = pressed;
    setRefusal(null);
    const kept = { round, who, person: actor.person, role: actor.role, sent };
    know(written(known.current, kept));
    void note(kept).then(() => {
      known.current = noted(known.current, sent.id);
      return push();
    });
    return true;
  };

  const others = [...new Set(queue.filter((w) => w.who !== who).map((w) => w.who))];
  return {
    state,
    server,
    at: paper ?? now + skew,
    kept: queue.length,
    keptOfOthers: others,
    lost,
    refusal,
    setRefusal,
    write,
    take,
  };
}

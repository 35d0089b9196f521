import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect, useMemo, useState } from "react";
import { api, unwrap } from "../api/client";
import { heard, remember, type Waiting } from "../shared/kept";
import { keys } from "../shared/keys";
import { useLive } from "../shared/live";
import { sentence } from "../shared/texts";
import { type Actor, type Known, type Made, refusedForSite, siteNow } from "./core";
import { asSent, flushSite, note, SITE, type SiteView, tabletNow, waiting } from "./outbox";

const RETRY = 4000;

export type SiteStream = {
  /** Of each thing the newest entry, with what waits here. */
  newest: Known[];
  kept: number;
  refusal: string | null;
  /** Takes an entry in here and now, with or without signal. */
  write: (made: Made) => void;
};

/** What happens on the site beside its rounds, as the server has said it and with what waits on this device. */
export function useSiteStream(actor: Actor): SiteStream {
  const queries = useQueryClient();
  const who = actor.name;
  const [queue, setQueue] = useState<Waiting[]>([]);
  const [refusal, setRefusal] = useState<string | null>(null);
  const view = useQuery({
    queryKey: keys.stream(),
    queryFn: () => heard("stream", () => unwrap(api.GET("/api/stream"))),
  });

  const push = useCallback(async () => {
    try {
      await flushSite(who, (_, state, told) => {
        queries.setQueryData<SiteView>(["stream"], state);
        void remember("stream", state);
        setRefusal(told.length > 0 ? told.map(sentence).join(" ") : null);
      });
    } catch {
      // No signal, or signed out: it waits here.
    }
    setQueue(await waiting(SITE));
  }, [queries, who]);

  useLive(
    useCallback(
      (what: string) => {
        if (what === "" || what === SITE) {
          void queries.invalidateQueries({ queryKey: keys.stream() });
        }
      },
      [queries],
    ),
  );

  useEffect(() => {
    void push();
    const retry = window.setInterval(async () => {
      if ((await waiting(SITE)).length > 0) {
        void push();
      }
    }, RETRY);
    return () => window.clearInterval(retry);
  }, [push]);

  const skew = view.data ? view.data.now - tabletNow() : 0;
  const newest = useMemo(
    () =>
      siteNow(
        view.data?.newest ?? [],
        queue.map((w) => ({
          entry: w.sent as Made,
          at: w.sent.tabletTime + skew,
          actor: { name: w.who, person: w.person, role: w.role },
        })),
      ),
    [view.data, queue, skew],
  );

  const write = (made: Made) => {
    const no = refusedForSite(newest, made, tabletNow() + skew, actor);
    if (no.refused) {
      setRefusal(sentence(no.refused));
      return;
    }
    setRefusal(null);
    const kept = { round: SITE, who, person: actor.person, role: actor.role, sent: asSent("", made) };
    setQueue((before) => [...before, kept]);
    void note(kept).then(push);
  };
  return { newest, kept: queue.length, refusal, write };
}

/** How many spares of a part were counted last. */
export function sparesOf(newest: Known[], machine: string, part: string) {
  const text = (k: Known, name: string) => k.entry.figures.find((f) => f.name === name)?.text;
  const known = newest.find(
    (k) => k.entry.kind === "spares-counted" && text(k, "machine") === machine && text(k, "part") === part,
  );
  const count = known?.entry.figures.find((f) => f.name === "count")?.value;
  return known && count !== undefined ? { count, who: known.who, at: known.at } : undefined;
}

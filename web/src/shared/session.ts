import { type QueryClient, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useNavigate } from "react-router";
import { api, type Schemas, unwrap } from "../api/client";
import { heard, remember } from "./kept";
import { keys } from "./keys";
import { spoken } from "./say";
import { aheadBy } from "./siteNow";

/** Who is signed in; `name` is absent while nobody is. */
export function useSession() {
  return useQuery({
    queryKey: keys.session(),
    queryFn: async () => {
      const session = await heard("session", () => unwrap(api.GET("/api/session")));
      aheadBy(session.clockAhead ?? 0);
      return session;
    },
    staleTime: 60_000,
  });
}

/** Somebody else is signed in from now on, on this page and when it is opened again without signal. */
export async function signedIn(queries: QueryClient, session: Schemas["Session"]) {
  aheadBy(session.clockAhead ?? 0);
  await remember("session", session);
  queries.setQueryData(keys.session(), session);
  await queries.invalidateQueries({ predicate: (q) => q.queryKey[0] !== "session" });
}

/** Ends the session of whoever is signed in; where the server cannot be reached they still are, and it says so. */
export function useSignOut() {
  const queries = useQueryClient();
  const navigate = useNavigate();
  return useMutation({
    mutationFn: () => unwrap(api.DELETE("/api/session")),
    onSuccess: () => {
      queries.clear();
      navigate("/sign-in");
    },
  });
}

export function useSite() {
  return useQuery({
    queryKey: keys.site(),
    queryFn: () => heard("site", () => unwrap(api.GET("/api/site"))),
    staleTime: Number.POSITIVE_INFINITY,
  });
}

/** Times in the site's zone, whatever the zone of this device. */
export function useClock() {
  const zone = useSite().data?.zone ?? "UTC";
  return {
    time: (at: number) =>
      new Intl.DateTimeFormat(spoken() === "en" ? "en-GB" : spoken(), {
        timeZone: zone,
        hour: "2-digit",
        minute: "2-digit",
        hourCycle: "h23",
      }).format(at),
    date: (at: number) =>
      new Intl.DateTimeFormat(spoken() === "en" ? "en-GB" : spoken(), {
        timeZone: zone,
        day: "numeric",
        month: "short",
        year: "numeric",
      }).format(at),
    day: (at: number) =>
      new Intl.DateTimeFormat(spoken() === "en" ? "en-GB" : spoken(), {
        timeZone: zone,
        weekday: "short",
        day: "numeric",
        month: "short",
        year: "numeric",
      }).format(at),
  };
}

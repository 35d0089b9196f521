import "./due.css";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useCallback } from "react";
import { useSearchParams } from "react-router";
import { api, unwrap } from "../api/client";
import { keys } from "../shared/keys";
import { useLive } from "../shared/live";
import { NotShown, Waiting } from "../shared/PageState";
import { say } from "../shared/say";
import { TabRow } from "../shared/TabRow";
import { Calendar } from "./Calendar";
import { List } from "./List";
import { Parts } from "./Parts";

const REST = 30_000;

/** What is due on this site: as a list by what is at stake, and by days. */
export default function Due() {
  const queries = useQueryClient();
  const [params, setParams] = useSearchParams();
  const show = params.get("show") ?? "list";
  const due = useQuery({
    queryKey: keys.due(),
    queryFn: () => unwrap(api.GET("/api/due")),
    refetchInterval: REST,
  });
  useLive(useCallback(() => void queries.invalidateQueries({ queryKey: keys.due() }), [queries]));
  const put = (to: Record<string, string | null>) =>
    setParams((now) => {
      const next = new URLSearchParams(now);
      for (const [k, v] of Object.entries(to)) {
        if (v === null) {
          next.delete(k);
        } else {
          next.set(k, v);
        }
      }
      return next;
    });
  if (due.isPending) {
    return <Waiting what={say("due.due.loading", "Looking through the log…")} />;
  }
  if (!due.data) {
    return (
      <NotShown
        what={say("due.due.cannot-be-shown", "What is due cannot be shown")}
        error={due.error}
        again={() => due.refetch()}
      />
    );
  }
  const tabs = [
    { id: "list", name: say("due.due.now", "Now") },
    { id: "month", name: say("due.due.month", "Month") },
    { id: "year", name: say("due.due.year", "Year") },
    { id: "parts", name: say("due.due.parts", "Parts and settings") },
  ];
  return (
    <main className="due">
      <div className="due-head">
        <h1>{say("due.due.title", "What is due")}</h1>
        <TabRow
          className="due-tabs"
          label={say("due.due.what-is-shown", "What is shown")}
          tabs={tabs}
          shown={show}
          onShow={(id) => put({ show: id, task: null })}
        />
        <span className="grow" />
        {due.isError && (
          <output className="note stop">
            {say("due.due.connection-lost", "Connection lost. What you see may be old.")}
          </output>
        )}
      </div>
      {show === "parts" ? (
        <Parts />
      ) : show === "list" ? (
        <List now={due.data} params={params} put={put} />
      ) : (
        <Calendar now={due.data} year={show === "year"} params={params} put={put} />
      )}
    </main>
  );
}

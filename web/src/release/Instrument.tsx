import { useMutation, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, message, unwrap } from "../api/client";

const METERS: Record<string, { kind: string; near: number }> = {
  SWAB: { kind: "ATP", near: 9 },
  PH: { kind: "PH_PEN", near: 7.6 },
};

/** Takes the value from a meter of the site. The ones that ship are simulated and say so. */
export function Instrument({ kind, onRead }: { kind: string; onRead: (value: number) => void }) {
  const wanted = METERS[kind];
  const all = useQuery({ queryKey: ["instruments"], queryFn: () => unwrap(api.GET("/api/instruments")) });
  const fitting = (all.data ?? []).filter((m) => m.kind === wanted?.kind);
  const [picked, setPicked] = useState("");
  const id = picked || fitting[0]?.id;
  const read = useMutation({
    mutationFn: () =>
      unwrap(
        api.POST("/api/instruments/{id}/readings", {
          params: { path: { id: id ?? "" }, query: { near: wanted?.near ?? 0 } },
        }),
      ),
    onSuccess: (r) => {
      if (r.value !== undefined && r.value !== null) {
        onRead(r.value);
      }
    },
  });
  if (!wanted || fitting.length === 0) {
    return null;
  }
  return (
    <div className="instrument">
      <label>
        Simulated meter
        <select value={id} onChange={(e) => setPicked(e.currentTarget.value)}>
          {fitting.map((m) => (
            <option key={m.id} value={m.id}>
              {m.name}
              {m.due ? ", calibration overdue" : ""}
            </option>
          ))}
        </select>
      </label>
      <button className="btn" type="button" disabled={read.isPending} onClick={() => read.mutate()}>
        Read it
      </button>
      <span className="quiet" aria-live="polite">
        {read.isError ? message(read.error) : read.data?.says}
      </span>
    </div>
  );
}

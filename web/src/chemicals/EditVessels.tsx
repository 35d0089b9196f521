import { NativeSelect, TextInput } from "@mantine/core";
import { useMutation, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { ApiProblem, api, type Schemas, unwrap } from "../api/client";
import { showQuantity, splitQuantity } from "../ribbon/draft";
import { Dialog } from "../shared/Dialog";
import { Effect } from "../shared/Effect";
import { keys } from "../shared/keys";
import { Sign } from "../shared/Sign";
import { say } from "../shared/say";
import { idFrom } from "./form";

type VesselDoc = {
  id: string;
  name: string;
  kind: string;
  brim: Schemas["Quantity"];
  washer?: unknown;
};

const KINDS = [
  { value: "sink", label: say("chemicals.edit-vessels.sink", "sink") },
  { value: "bucket", label: say("chemicals.edit-vessels.bucket", "bucket") },
  { value: "bath", label: say("chemicals.edit-vessels.bath", "bath") },
  { value: "tub", label: say("chemicals.edit-vessels.tub", "tub") },
  { value: "sprayer", label: say("chemicals.edit-vessels.sprayer", "sprayer") },
  { value: "washer", label: say("chemicals.edit-vessels.washer", "washer") },
];

type Props = { onClose: () => void; onSaved: () => void };

/** Sinks, buckets and baths by the names that procedures use, and what each holds. */
export function EditVessels({ onClose, onSaved }: Props) {
  const stored = useQuery({
    queryKey: keys.vessels(),
    queryFn: async () => (await unwrap(api.GET("/api/vessels"))) as unknown as VesselDoc[],
    gcTime: 0,
  });
  return stored.data ? <Editor all={stored.data} onClose={onClose} onSaved={onSaved} /> : null;
}

function Editor({ all, onClose, onSaved }: Props & { all: VesselDoc[] }) {
  const [rows, setRows] = useState(() =>
    all.map((v, i) => ({ key: i, doc: v, name: v.name, kind: v.kind, brim: showQuantity(v.brim) })),
  );
  const text = JSON.stringify(
    rows.map((r) => ({
      ...r.doc,
      id: r.doc.id || idFrom(r.name),
      name: r.name.trim(),
      kind: r.kind,
      brim: splitQuantity(r.brim) ?? r.brim,
    })),
  );
  const other = text !== JSON.stringify(all);
  const effect = useQuery({
    queryKey: keys.vesselEffect(text),
    enabled: other,
    queryFn: ({ signal }) => unwrap(api.POST("/api/vessels/effect", { body: { document: text }, signal })),
    gcTime: 0,
    retry: false,
  });
  const save = useMutation({
    mutationFn: (pin: string) => unwrap(api.PUT("/api/vessels", { body: { document: text, pin } })),
    onSuccess: onSaved,
  });
  const errors = [save.error, effect.error].flatMap((e) => (e instanceof ApiProblem ? e.fields : []));
  const problem = (row: number, field: string) =>
    errors.find((e) => e.pointer.startsWith(`/vessels/${row}/${field}`))?.message;
  const set = (key: number, change: Partial<(typeof rows)[number]>) =>
    setRows((all) => all.map((r) => (r.key === key ? { ...r, ...change } : r)));
  return (
    <Dialog
      title={say("chemicals.edit-vessels.sinks-buckets-and-baths", "Sinks, buckets and baths")}
      onClose={onClose}
      wide
    >
      <p className="quiet">
        {say(
          "chemicals.edit-vessels.the-name-is-the-one-that",
          "The name is the one that stands in procedures; to the brim is what it holds.",
        )}
      </p>
      <div className="vessel-rows">
        <div className="vessel-row vessel-head" aria-hidden="true">
          <span>{say("chemicals.edit-vessels.name-in-procedures", "Name in procedures")}</span>
          <span>{say("chemicals.edit-vessels.what-it-is", "What it is")}</span>
          <span>{say("chemicals.edit-vessels.to-the-brim", "To the brim")}</span>
        </div>
        {rows.map((r, i) => (
          <div key={r.key} className="vessel-row">
            <TextInput
              aria-label={say("chemicals.edit-vessels.name-of-vessel", "Name of vessel {0}", i + 1)}
              value={r.name}
              onChange={(e) => set(r.key, { name: e.currentTarget.value })}
              error={problem(i, "name") ?? problem(i, "id")}
            />
            <NativeSelect
              aria-label={say("chemicals.edit-vessels.what-vessel-is", "What vessel {0} is", i + 1)}
              data={KINDS}
              value={r.kind}
              onChange={(e) => set(r.key, { kind: e.currentTarget.value })}
            />
            <TextInput
              aria-label={say(
                "chemicals.edit-vessels.what-vessel-holds-to-the-brim",
                "What vessel {0} holds to the brim",
                i + 1,
              )}
              value={r.brim}
              onChange={(e) => set(r.key, { brim: e.currentTarget.value })}
              error={problem(i, "brim")}
            />
            <button
              className="btn small"
              type="button"
              aria-label={say(
                "chemicals.edit-vessels.take-off-this",
                "Take off {0}",
                r.name || say("chemicals.edit-vessels.this-vessel", "this vessel"),
              )}
              onClick={() => setRows((all) => all.filter((x) => x.key !== r.key))}
            >
              {say("chemicals.edit-vessels.take-off", "Take off")}
            </button>
          </div>
        ))}
      </div>
      <button
        className="btn small vessel-add"
        type="button"
        onClick={() =>
          setRows((all) => [
            ...all,
            {
              key: Math.max(-1, ...all.map((x) => x.key)) + 1,
              doc: { id: "", name: "", kind: "bucket", brim: { value: 10, unit: "L" } },
              name: "",
              kind: "bucket",
              brim: "10 L",
            },
          ])
        }
      >
        {say("chemicals.edit-vessels.add-one", "Add one")}
      </button>
      <Sign ready={other} save={save} onClose={onClose}>
        <Effect query={effect} changed={other} />
      </Sign>
    </Dialog>
  );
}

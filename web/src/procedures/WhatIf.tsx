import { NativeSelect, NumberInput } from "@mantine/core";
import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { ApiProblem, api, message, type Schemas, unwrap } from "../api/client";
import type { Doc } from "../ribbon/draft";
import { CameAndWent, SideBySide } from "./Difference";

type Props = {
  doc: Doc;
  chemicals: Schemas["ChemicalView"][];
  editable: boolean;
  onTake: (next: Doc, said: string) => void;
};

/** What would be with another chemical, a person fewer, or no hot water. Nothing is changed by asking. */
export function WhatIf({ doc, chemicals, editable, onTake }: Props) {
  const used = chemicals.filter((c) => doc.steps.some((s) => s.chemical === c.id));
  const [from, setFrom] = useState("");
  const [to, setTo] = useState("");
  const [fewer, setFewer] = useState(0);
  const [warmest, setWarmest] = useState<number | "">("");
  const ask = useMutation({
    mutationFn: () =>
      unwrap(
        api.POST("/api/what-if", {
          body: {
            document: doc,
            change: {
              from: from || undefined,
              to: from ? to : undefined,
              fewerPeople: fewer,
              warmest: warmest === "" ? undefined : warmest,
            },
          },
        }),
      ),
  });
  const nothing = from === "" && fewer === 0 && warmest === "";
  const fields = ask.error instanceof ApiProblem ? ask.error.fields : [];
  const name = (id: string) => chemicals.find((c) => c.id === id)?.name ?? id;
  const said = [
    from && to ? `${name(to)} instead of ${name(from)}` : "",
    fewer > 0 ? `${fewer} fewer` : "",
    warmest === "" ? "" : `water at most ${warmest} °C`,
  ]
    .filter(Boolean)
    .join(", ");

  function touch(f: () => void) {
    f();
    ask.reset();
  }

  return (
    <section className="verdict" aria-label="What if">
      <h2>What if</h2>
      <div className="what-if">
        <NativeSelect
          label="Instead of"
          value={from}
          data={[
            { value: "", label: "no other product" },
            ...used.map((c) => ({ value: c.id, label: c.name })),
          ]}
          onChange={(e) => touch(() => setFrom(e.currentTarget.value))}
        />
        <NativeSelect
          label="use"
          description="Strength, warmth and contact as its label directs."
          value={to}
          disabled={from === ""}
          data={[
            { value: "", label: "choose" },
            ...chemicals.filter((c) => c.id !== from).map((c) => ({ value: c.id, label: c.name })),
          ]}
          onChange={(e) => touch(() => setTo(e.currentTarget.value))}
        />
        <NumberInput
          label={`People missing, of ${doc.people}`}
          min={0}
          max={Math.max(0, doc.people - 1)}
          value={fewer}
          onChange={(v) => touch(() => setFewer(typeof v === "number" ? v : 0))}
        />
        <NumberInput
          label="The water is no warmer than, °C"
          min={0}
          max={100}
          placeholder="the heater works"
          value={warmest}
          onChange={(v) => touch(() => setWarmest(typeof v === "number" ? v : ""))}
        />
        <button
          type="button"
          className="btn main"
          disabled={nothing || (from !== "" && to === "") || ask.isPending}
          onClick={() => ask.mutate()}
        >
          Run it
        </button>
      </div>
      <p className="quiet">How the machine is fitted otherwise: the tab Verdict shows each way by itself.</p>
      {ask.isError && (
        <p className="note stop" role="alert">
          {fields.length > 0 ? fields.map((f) => f.message).join(" ") : message(ask.error)}
        </p>
      )}
      {ask.data && (
        <>
          <p>
            <b>With {said}:</b>
          </p>
          <SideBySide d={ask.data} before="as it stands" now="what if" />
          <CameAndWent d={ask.data} />
          {editable && (
            <button type="button" className="btn" onClick={() => ask.data && onTake(ask.data.document, said)}>
              Apply
            </button>
          )}
        </>
      )}
    </section>
  );
}

import { NativeSelect, NumberInput } from "@mantine/core";
import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { ApiProblem, api, message, type Schemas, unwrap } from "../api/client";
import type { Doc } from "../ribbon/draft";
import { say } from "../shared/say";
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
    from && to ? say("procedures.what-if.instead-of", "{0} instead of {1}", name(to), name(from)) : "",
    fewer > 0 ? say("procedures.what-if.fewer", "{0} fewer", fewer) : "",
    warmest === "" ? "" : say("procedures.what-if.water-at-most-c", "water at most {0} °C", warmest),
  ]
    .filter(Boolean)
    .join(", ");

  function touch(f: () => void) {
    f();
    ask.reset();
  }

  return (
    <section className="verdict" aria-label={say("procedures.what-if.what-if", "What if")}>
      <h2>{say("procedures.what-if.what-if", "What if")}</h2>
      <div className="what-if">
        <NativeSelect
          label={say("procedures.what-if.instead-of-2", "Instead of")}
          value={from}
          data={[
            { value: "", label: say("procedures.what-if.no-other-product", "no other product") },
            ...used.map((c) => ({ value: c.id, label: c.name })),
          ]}
          onChange={(e) => touch(() => setFrom(e.currentTarget.value))}
        />
        <NativeSelect
          label={say("procedures.what-if.use", "use")}
          description={say(
            "procedures.what-if.strength-warmth-and-contact-as-its",
            "Strength, warmth and contact as its label directs.",
          )}
          value={to}
          disabled={from === ""}
          data={[
            { value: "", label: say("procedures.what-if.choose", "choose") },
            ...chemicals.filter((c) => c.id !== from).map((c) => ({ value: c.id, label: c.name })),
          ]}
          onChange={(e) => touch(() => setTo(e.currentTarget.value))}
        />
        <NumberInput
          label={say("procedures.what-if.people-missing-of", "People missing, of {0}", doc.people)}
          min={0}
          max={Math.max(0, doc.people - 1)}
          value={fewer}
          onChange={(v) => touch(() => setFewer(typeof v === "number" ? v : 0))}
        />
        <NumberInput
          label={say("procedures.what-if.the-water-is-no-warmer-than", "The water is no warmer than, °C")}
          min={0}
          max={100}
          placeholder={say("procedures.what-if.the-heater-works", "the heater works")}
          value={warmest}
          onChange={(v) => touch(() => setWarmest(typeof v === "number" ? v : ""))}
        />
        <button
          type="button"
          className="btn main"
          disabled={nothing || (from !== "" && to === "") || ask.isPending}
          onClick={() => ask.mutate()}
        >
          {say("procedures.what-if.run-it", "Run it")}
        </button>
      </div>
      <p className="quiet">
        {say(
          "procedures.what-if.how-the-machine-is-fitted-otherwise",
          "How the machine is fitted otherwise: the tab Verdict shows each way by itself.",
        )}
      </p>
      {ask.isError && (
        <p className="note stop" role="alert">
          {fields.length > 0 ? fields.map((f) => f.message).join(" ") : message(ask.error)}
        </p>
      )}
      {ask.data && (
        <>
          <p>
            <b>{say("procedures.what-if.with", "With {0}:", said)}</b>
          </p>
          <SideBySide
            d={ask.data}
            before={say("procedures.what-if.as-it-stands", "as it stands")}
            now={say("procedures.what-if.what-if-2", "what if")}
          />
          <CameAndWent d={ask.data} />
          {editable && (
            <button type="button" className="btn" onClick={() => ask.data && onTake(ask.data.document, said)}>
              {say("procedures.what-if.apply", "Apply")}
            </button>
          )}
        </>
      )}
    </section>
  );
}

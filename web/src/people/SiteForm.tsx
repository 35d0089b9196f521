import { NumberInput, TextInput } from "@mantine/core";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { ApiProblem, api, message, type Schemas, unwrap } from "../api/client";
import { Dialog } from "../app/Dialog";
import { Sign } from "../app/Sign";

type Quantity = Schemas["Quantity"];
type Head = {
  name: string;
  town: string;
  zone: string;
  mains: { temperature: Quantity; hardness: Quantity; ph: Quantity };
};

/** The site and the water that comes from its tap; other water shows what it does before it is signed. */
export function SiteForm() {
  const file = useQuery({
    queryKey: ["site-file"],
    queryFn: async () => (await unwrap(api.GET("/api/site/file"))) as unknown as Head,
  });
  if (file.isError) {
    return <p className="note stop">{message(file.error)}</p>;
  }
  return file.data ? <Fields key={JSON.stringify(file.data)} head={file.data} /> : null;
}

function Fields({ head }: { head: Head }) {
  const queries = useQueryClient();
  const [now, setNow] = useState(head);
  const [signing, setSigning] = useState(false);
  const { name, town, zone, mains } = now;
  const document = JSON.stringify({ name, town, zone, mains });
  const changed = JSON.stringify(now) !== JSON.stringify(head);
  const effect = useQuery({
    queryKey: ["site-effect", document],
    enabled: signing,
    retry: false,
    queryFn: () => unwrap(api.POST("/api/site/effect", { body: { document } })),
  });
  const save = useMutation({
    mutationFn: (pin: string) => unwrap(api.PUT("/api/site", { body: { document, pin } })),
    onSuccess: () => {
      setSigning(false);
      for (const key of ["site-file", "supply-changes", "procedures", "site"]) {
        queries.invalidateQueries({ queryKey: [key] });
      }
    },
  });
  const fields = effect.error instanceof ApiProblem ? effect.error.fields : [];
  const error = (pointer: string) => fields.find((f) => f.pointer.startsWith(pointer))?.message;
  const water = (key: keyof Head["mains"], v: number | string) =>
    typeof v === "number" &&
    setNow((n) => ({ ...n, mains: { ...n.mains, [key]: { ...n.mains[key], value: v } } }));
  return (
    <section aria-label="Site">
      <h2>The site and its water</h2>
      <div className="site-form">
        <TextInput
          label="Name"
          value={name}
          error={error("/name")}
          onChange={(e) => setNow({ ...now, name: e.currentTarget.value })}
        />
        <TextInput
          label="Town"
          value={town}
          error={error("/town")}
          onChange={(e) => setNow({ ...now, town: e.currentTarget.value })}
        />
        <TextInput
          label="Time zone, for instance Europe/London"
          value={zone}
          error={error("/zone")}
          onChange={(e) => setNow({ ...now, zone: e.currentTarget.value })}
        />
        <NumberInput
          label={`Water from the tap, ${mains.temperature.unit}`}
          value={mains.temperature.value}
          error={error("/mains/temperature")}
          onChange={(v) => water("temperature", v)}
        />
        <NumberInput
          label={`Its hardness, ${mains.hardness.unit} as CaCO₃`}
          value={mains.hardness.value}
          error={error("/mains/hardness")}
          onChange={(v) => water("hardness", v)}
        />
        <NumberInput
          label="Its pH"
          value={mains.ph.value}
          error={error("/mains/ph")}
          onChange={(v) => water("ph", v)}
        />
        <button className="btn" type="button" disabled={!changed} onClick={() => setSigning(true)}>
          Sign and save…
        </button>
      </div>
      {signing && (
        <Dialog title="Change the site" onClose={() => setSigning(false)}>
          <Sign effect={effect} changed={changed} save={save} onClose={() => setSigning(false)} />
        </Dialog>
      )}
    </section>
  );
}

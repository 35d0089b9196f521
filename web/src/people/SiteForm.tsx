import { Checkbox, NativeSelect, NumberInput, TextInput } from "@mantine/core";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { ApiProblem, api, message, type Schemas, unwrap } from "../api/client";
import { Dialog } from "../shared/Dialog";
import { Effect } from "../shared/Effect";
import { keys } from "../shared/keys";
import { Sign } from "../shared/Sign";
import { say } from "../shared/say";
import { useLanguages } from "../shared/texts";

type Quantity = Schemas["Quantity"];
type Head = {
  name: string;
  town: string;
  zone: string;
  mains: {
    temperature: Quantity;
    hardness: Quantity;
    ph: Quantity;
    drinkable?: boolean;
    tested?: string;
  };
  ways?: Ways;
};
type Ways = {
  regime: string;
  rinseAfterSanitizer: boolean;
  assembledFirst: boolean;
  language: string;
  temperatures: string;
  secondPersonFrom: string;
  keepYears: number;
  stillUsedDays?: number;
};

const COMMON: Ways = {
  regime: "retail",
  rinseAfterSanitizer: false,
  assembledFirst: false,
  language: "en",
  temperatures: "°C",
  secondPersonFrom: "end-of-shift",
  keepYears: 2,
};

/** The site and the water that comes from its tap; other water shows what it does before it is signed. */
export function SiteForm() {
  const file = useQuery({
    queryKey: keys.siteFile(),
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
  const ways = now.ways ?? COMMON;
  const document = JSON.stringify({ name, town, zone, mains, ways });
  const languages = useLanguages();
  const changed = JSON.stringify(now) !== JSON.stringify(head);
  const effect = useQuery({
    queryKey: keys.siteEffect(document),
    enabled: signing,
    retry: false,
    queryFn: () => unwrap(api.POST("/api/site/effect", { body: { document } })),
  });
  const save = useMutation({
    mutationFn: (pin: string) => unwrap(api.PUT("/api/site", { body: { document, pin } })),
    onSuccess: () => {
      setSigning(false);
      for (const key of ["site-file", "supply-changes", "procedures", "site", "board"]) {
        queries.invalidateQueries({ queryKey: [key] });
      }
    },
  });
  const fields = effect.error instanceof ApiProblem ? effect.error.fields : [];
  const error = (pointer: string) => fields.find((f) => f.pointer.startsWith(pointer))?.message;
  const water = (key: "temperature" | "hardness" | "ph", v: number | string) =>
    typeof v === "number" &&
    setNow((n) => ({ ...n, mains: { ...n.mains, [key]: { ...n.mains[key], value: v } } }));
  const way = (change: Partial<Ways>) => setNow({ ...now, ways: { ...ways, ...change } });
  return (
    <section aria-label={say("people.site-form.site", "Site")}>
      <h2>{say("people.site-form.the-site-its-water-and-its", "The site, its water and its ways")}</h2>
      <div className="site-form">
        <TextInput
          label={say("people.site-form.name", "Name")}
          value={name}
          error={error("/name")}
          onChange={(e) => setNow({ ...now, name: e.currentTarget.value })}
        />
        <TextInput
          label={say("people.site-form.town", "Town")}
          value={town}
          error={error("/town")}
          onChange={(e) => setNow({ ...now, town: e.currentTarget.value })}
        />
        <TextInput
          label={say(
            "people.site-form.time-zone-for-instance-europe-london",
            "Time zone, for instance Europe/London",
          )}
          value={zone}
          list="zones"
          error={error("/zone")}
          onChange={(e) => setNow({ ...now, zone: e.currentTarget.value })}
        />
        <datalist id="zones">
          {Intl.supportedValuesOf("timeZone").map((z) => (
            <option key={z} value={z} />
          ))}
        </datalist>
        <NumberInput
          label={say(
            "people.site-form.city-water-temperature",
            "City water temperature, {0}",
            mains.temperature.unit,
          )}
          value={mains.temperature.value}
          error={error("/mains/temperature")}
          onChange={(v) => water("temperature", v)}
        />
        <NumberInput
          label={say(
            "people.site-form.its-hardness-as-caco",
            "Its hardness, {0} as CaCO₃",
            mains.hardness.unit,
          )}
          value={mains.hardness.value}
          error={error("/mains/hardness")}
          onChange={(v) => water("hardness", v)}
        />
        <NumberInput
          label={say("people.site-form.ph", "pH")}
          value={mains.ph.value}
          error={error("/mains/ph")}
          onChange={(v) => water("ph", v)}
        />
        <Checkbox
          label={say("people.site-form.it-is-drinking-water", "It is drinking water")}
          checked={mains.drinkable !== false}
          onChange={(e) => {
            const drinkable = e.currentTarget.checked;
            setNow((n) => ({ ...n, mains: { ...n.mains, drinkable } }));
          }}
        />
        <TextInput
          label={say("people.site-form.tested-for-e-coli", "Last tested free of E. coli")}
          description={say(
            "people.site-form.for-farms",
            "Date and laboratory. Farms need it; leave it empty where there is no record.",
          )}
          maxLength={120}
          value={mains.tested ?? ""}
          onChange={(e) => {
            const tested = e.currentTarget.value || undefined;
            setNow((n) => ({ ...n, mains: { ...n.mains, tested } }));
          }}
        />
        <NativeSelect
          label={say("people.site-form.regime-of-new-machines", "Regime of new machines")}
          data={[
            { value: "retail", label: say("people.site-form.retail-kitchen", "retail kitchen") },
            { value: "plant", label: say("people.site-form.plant", "food plant") },
            { value: "farm", label: say("people.site-form.farm-packing", "farm packing") },
          ]}
          value={ways.regime}
          onChange={(e) => way({ regime: e.currentTarget.value })}
        />
        <NativeSelect
          label={say("people.site-form.thermometers-show", "Thermometers show")}
          data={["°C", "°F"]}
          value={ways.temperatures}
          onChange={(e) => way({ temperatures: e.currentTarget.value })}
        />
        <NativeSelect
          label={say(
            "people.site-form.language-of-the-site",
            "Language of the site, until a device chooses another",
          )}
          data={[
            { value: "en", label: say("people.site-form.english", "English") },
            ...(languages.data ?? []).map((l) => ({ value: l.code, label: l.name })),
          ]}
          value={ways.language}
          onChange={(e) => way({ language: e.currentTarget.value })}
        />
        <NativeSelect
          label={say("people.site-form.somebody-else-releases-from", "Somebody else releases, from")}
          data={[
            { value: "end-of-shift", label: say("people.site-form.end-of-shift-on", "end of shift on") },
            {
              value: "per-meal",
              label: say("people.site-form.every-meal-period-on", "every meal period on"),
            },
            { value: "four-hours", label: say("people.site-form.every-4-hours-on", "every 4 hours on") },
            { value: "per-use", label: say("people.site-form.every-use-on", "every use on") },
          ]}
          value={ways.secondPersonFrom}
          onChange={(e) => way({ secondPersonFrom: e.currentTarget.value })}
        />
        <NumberInput
          label={say("people.site-form.records-are-kept-years-2-to", "Records are kept, years (2 to 30)")}
          value={ways.keepYears}
          error={error("/ways/keepYears")}
          onChange={(v) => typeof v === "number" && way({ keepYears: v })}
        />
        <NumberInput
          label={say(
            "people.site-form.still-used-days",
            "Days a procedure that no longer passes may be used, once signed for (1 to 60)",
          )}
          value={ways.stillUsedDays ?? 14}
          error={error("/ways/stillUsedDays")}
          onChange={(v) => typeof v === "number" && way({ stillUsedDays: v })}
        />
        <fieldset className="schools">
          <legend>{say("people.site-form.new-drafts", "New drafts")}</legend>
          <Checkbox
            label={say(
              "people.site-form.assembled-clean-then-sanitized-by-filling",
              "Assembled clean, then sanitized by filling",
            )}
            checked={ways.assembledFirst}
            onChange={(e) => way({ assembledFirst: e.currentTarget.checked })}
          />
          <Checkbox
            label={say(
              "people.site-form.rinsed-with-drinking-water-after-the",
              "Rinsed with drinking water after the sanitizer",
            )}
            checked={ways.rinseAfterSanitizer}
            onChange={(e) => way({ rinseAfterSanitizer: e.currentTarget.checked })}
          />
        </fieldset>
        <button className="btn" type="button" disabled={!changed} onClick={() => setSigning(true)}>
          {say("people.site-form.sign-and-save", "Sign and save…")}
        </button>
      </div>
      {signing && (
        <Dialog
          title={say("people.site-form.change-the-site", "Change the site")}
          onClose={() => setSigning(false)}
        >
          <Sign ready={changed} save={save} onClose={() => setSigning(false)}>
            <Effect query={effect} changed={changed} />
          </Sign>
        </Dialog>
      )}
    </section>
  );
}

import { Checkbox, NativeSelect, TagsInput, Textarea, TextInput } from "@mantine/core";
import { useMutation, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { ApiProblem, api, message, type Schemas, unwrap } from "../api/client";
import { showQuantity, splitQuantity } from "../ribbon/draft";
import { Dialog } from "../shared/Dialog";
import { Effect } from "../shared/Effect";
import { keys } from "../shared/keys";
import { Sign } from "../shared/Sign";
import { say } from "../shared/say";
import { type ChemicalDoc, documentOf, type Form, formOf, KINDS } from "./form";

type Props = {
  /** Null for a new product. */
  id: string | null;
  onClose: () => void;
  onSaved: (all: Schemas["ChemicalView"][]) => void;
};

/** The label as it stands on the can; what another label does to the approved procedures stands there before it is signed. */
export function EditChemical({ id, onClose, onSaved }: Props) {
  const stored = useQuery({
    queryKey: keys.chemical(id),
    enabled: id !== null,
    queryFn: async () =>
      (await unwrap(
        api.GET("/api/chemicals/{id}", { params: { path: { id: id ?? "" } } }),
      )) as unknown as ChemicalDoc,
    gcTime: 0,
  });
  if (stored.isError) {
    return (
      <Dialog
        title={say("chemicals.edit-chemical.this-product-cannot-be-shown", "This product cannot be shown")}
        onClose={onClose}
      >
        <p className="note stop">{message(stored.error)}</p>
      </Dialog>
    );
  }
  if (id !== null && !stored.data) {
    return null;
  }
  return <Editor id={id} doc={stored.data ?? null} onClose={onClose} onSaved={onSaved} />;
}

function Editor({ id, doc, onClose, onSaved }: Props & { doc: ChemicalDoc | null }) {
  const [form, setForm] = useState<Form>(() => formOf(doc, showQuantity));
  const next = documentOf(form, id, splitQuantity);
  const text = JSON.stringify(next);
  const [was] = useState(text);
  const other = text !== was;
  const set = <K extends keyof Form>(field: K, value: Form[K]) => setForm((f) => ({ ...f, [field]: value }));
  const effect = useQuery({
    queryKey: keys.supplyEffect(text),
    enabled: other && form.name.trim() !== "",
    queryFn: ({ signal }) => unwrap(api.POST("/api/chemicals/effect", { body: { document: text }, signal })),
    gcTime: 0,
    retry: false,
  });
  const save = useMutation({
    mutationFn: (pin: string) =>
      unwrap(
        api.PUT("/api/chemicals/{id}", {
          params: { path: { id: next.id } },
          body: { document: text, pin },
        }),
      ),
    onSuccess: onSaved,
  });
  const errors = [save.error, effect.error].flatMap((e) => (e instanceof ApiProblem ? e.fields : []));
  const problem = (pointer: string) =>
    errors.find((e) => e.pointer === pointer || e.pointer.startsWith(`${pointer}/`))?.message;
  const figure = (field: keyof Form, label: string, example: string, pointer: string) => (
    <TextInput
      label={label}
      placeholder={say("chemicals.edit-chemical.for-instance", "for instance {0}", example)}
      value={form[field] as string}
      onChange={(e) => set(field, e.currentTarget.value as never)}
      error={problem(pointer)}
    />
  );
  const list = (field: keyof Form, label: string) => (
    <TagsInput
      label={label}
      value={form[field] as string[]}
      onChange={(v) => set(field, v as never)}
      clearable={false}
    />
  );
  return (
    <Dialog
      title={id === null ? say("chemicals.edit-chemical.a-new-product", "A new product") : form.name}
      onClose={onClose}
      wide
    >
      <p className="quiet">
        {say(
          "chemicals.edit-chemical.copy-it-from-the-label-and",
          "Copy it from the label and the safety data sheet. What you leave empty counts as not on the label.",
        )}
      </p>
      <div className="can-form">
        <div>
          <TextInput
            label={say("chemicals.edit-chemical.name-on-the-label", "Name on the label")}
            value={form.name}
            onChange={(e) => set("name", e.currentTarget.value)}
            error={problem("/name")}
            data-autofocus
          />
          <NativeSelect
            label={say("chemicals.edit-chemical.what-it-is", "What it is")}
            data={KINDS}
            value={form.kind}
            onChange={(e) => set("kind", e.currentTarget.value)}
          />
          <Textarea
            label={say(
              "chemicals.edit-chemical.directions-in-the-words-of-the",
              "Directions, in the words of the label",
            )}
            autosize
            minRows={2}
            maxRows={5}
            value={form.directions}
            onChange={(e) => set("directions", e.currentTarget.value)}
          />
          <div className="pair">
            {figure(
              "least",
              say("chemicals.edit-chemical.use-dilution-least", "Use-dilution, least"),
              "50 mg/L or 1 %",
              "/label/least",
            )}
            {figure(
              "most",
              say("chemicals.edit-chemical.use-dilution-most", "Use-dilution, most"),
              "200 mg/L or 2 %",
              "/label/most",
            )}
          </div>
          <div className="pair">
            {figure(
              "contact",
              say("chemicals.edit-chemical.contact-time-wet-or-dwell", "Contact time (wet) or dwell"),
              "60 s",
              "/label/contact",
            )}
            {figure(
              "solutionLife",
              say("chemicals.edit-chemical.discard-a-mix-after", "Discard a mix after"),
              "4 h",
              "/solutionLife",
            )}
          </div>
          <div className="pair">
            {figure(
              "leastTemperature",
              say("chemicals.edit-chemical.at-least", "At least"),
              "24 °C",
              "/label/leastTemperature",
            )}
            {figure(
              "highestTemperature",
              say("chemicals.edit-chemical.at-most", "At most"),
              "40 °C",
              "/label/highestTemperature",
            )}
          </div>
          <div className="pair">
            {figure(
              "highestPh",
              say("chemicals.edit-chemical.ph-at-most", "pH at most"),
              "5",
              "/label/highestPh",
            )}
            {figure(
              "hardestWater",
              say("chemicals.edit-chemical.water-hardness-at-most", "Water hardness, at most"),
              say("chemicals.edit-chemical.500-mg-l", "500 mg/L"),
              "/label/hardestWater",
            )}
          </div>
          <Checkbox
            label={say(
              "chemicals.edit-chemical.a-soak-alone-cleans-by-the",
              "A soak alone cleans, by the label",
            )}
            checked={form.soakCleans}
            onChange={(e) => set("soakCleans", e.currentTarget.checked)}
          />
          <Checkbox
            label={say(
              "chemicals.edit-chemical.the-label-directs-a-rinse-after",
              "The label directs a rinse after use",
            )}
            checked={form.rinseDirected}
            onChange={(e) => set("rinseDirected", e.currentTarget.checked)}
          />
        </div>
        <div>
          <TextInput
            label={say("chemicals.edit-chemical.registration-number", "Registration number")}
            value={form.registration}
            onChange={(e) => set("registration", e.currentTarget.value)}
            error={problem("/registration")}
          />
          <div className="pair">
            {figure("stock", "Concentrate, %", "12.5", "/stock/percent")}
            {figure(
              "density",
              say("chemicals.edit-chemical.density-kg-l", "Density, kg/L"),
              "1.17",
              "/stock/density",
            )}
          </div>
          <NativeSelect
            label={say("chemicals.edit-chemical.percent-of-what", "Percent of what")}
            data={[
              {
                value: "mass-in-mass",
                label: say("chemicals.edit-chemical.mass-in-mass-w-w", "mass in mass (w/w)"),
              },
              {
                value: "mass-in-volume",
                label: say("chemicals.edit-chemical.mass-in-volume-w-v", "mass in volume (w/v)"),
              },
            ]}
            value={form.basis}
            onChange={(e) => set("basis", e.currentTarget.value)}
          />
          {list("uses", say("chemicals.edit-chemical.directed-for", "Directed for"))}
          {list("organisms", say("chemicals.edit-chemical.organisms", "Organisms"))}
          {list("ppe", "PPE")}
          {list("neverWith", say("chemicals.edit-chemical.never-with", "Never with"))}
          <div className="pair">
            {figure(
              "price",
              say("chemicals.edit-chemical.price-per-liter", "Price per liter"),
              "2.10",
              "/pricePerLitre",
            )}
            {figure(
              "shelf",
              say("chemicals.edit-chemical.shelf-life-days", "Shelf life, days"),
              "365",
              "/shelfLifeDays",
            )}
          </div>
          <div className="pair">
            {figure(
              "reorder",
              say("chemicals.edit-chemical.ordered-at", "Ordered when as few are left"),
              say("chemicals.edit-chemical.10-l", "10 L, 5 kg or 4 pieces"),
              "/reorder",
            )}
            {figure(
              "leadDays",
              say("chemicals.edit-chemical.lead-days", "An order takes, days"),
              "5",
              "/reorder/leadDays",
            )}
          </div>
          <Sign ready={other} save={save} onClose={onClose}>
            <Effect query={effect} changed={other} />
          </Sign>
        </div>
      </div>
    </Dialog>
  );
}

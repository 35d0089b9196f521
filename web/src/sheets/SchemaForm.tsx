import { Checkbox, NativeSelect, NumberInput, Textarea, TextInput } from "@mantine/core";
import type { FieldProblem } from "../api/client";
import { say } from "../shared/say";
import { told } from "../shared/texts";
import { shown } from "./labels";
import { at, choices, FRESH, idFor, idsOf, type Json, type Named, type Schema, type Tree } from "./sheet";

type Props = {
  sheet: Tree;
  schema: Schema;
  pointer: string;
  /** Fields that have a place of their own. */
  without: string[];
  chemicals: Named[];
  problems: FieldProblem[];
  onPut: (pointer: string, value: Json | undefined) => void;
};

/** The fields of one thing of the sheet, as the format has them. */
export function SchemaForm(p: Props) {
  const fields = Object.entries(p.schema.properties ?? {}).filter(
    ([key]) => !p.without.includes(key) && key !== "id",
  );
  return (
    <div className="schema-form">
      {fields.map(([key, schema]) => (
        <Field key={key} {...p} field={key} schema={schema} pointer={`${p.pointer}/${key}`} />
      ))}
    </div>
  );
}

const LONG = 400;

function Field(p: Props & { field: string }) {
  const { schema, pointer, field } = p;
  const value = at(p.sheet, pointer);
  const label = told(schema.title ?? shown(field));
  const description = schema.description && told(schema.description);
  const error = p.problems.find((x) => x.pointer === pointer)?.message;
  const put = (next: Json | undefined) => p.onPut(pointer, next);
  const said = { label, description, error };
  const names = choices(p.sheet, field, p.chemicals);

  if (schema.type === "object" && schema.properties?.value && schema.properties?.unit) {
    return <Quantity {...said} schema={schema} value={value as Tree | undefined} onPut={put} />;
  }
  if (schema.type === "object") {
    return (
      <fieldset className="schema-group">
        <legend>{label}</legend>
        <SchemaForm {...p} without={[]} />
      </fieldset>
    );
  }
  if (schema.type === "array" && schema.items?.type === "object") {
    return <Rows {...p} label={label} />;
  }
  if (schema.type === "array" && (schema.items?.enum || names)) {
    const all = schema.items?.enum?.map((e) => ({ id: e, name: shown(e) })) ?? names ?? [];
    return <Several {...said} all={all} value={(value as string[]) ?? []} onPut={put} />;
  }
  if (schema.type === "array") {
    return (
      <Textarea
        {...said}
        autosize
        minRows={2}
        value={((value as string[]) ?? []).join("\n")}
        onChange={(e) => put(e.currentTarget.value === "" ? [] : e.currentTarget.value.split("\n"))}
      />
    );
  }
  if (schema.enum || (names && schema.type === "string") || field === "fitted") {
    const options =
      field === "fitted"
        ? ((at(p.sheet, pointer.replace(/\/fitted$/, "/options")) as Tree[]) ?? []).map((o) => ({
            id: String(o.id),
            name: String(o.name),
          }))
        : (schema.enum?.map((e) => ({ id: e, name: shown(e) })) ?? names ?? []);
    return (
      <NativeSelect
        {...said}
        value={String(value ?? "")}
        data={[
          { value: "", label: say("sheets.schema-form.not-stated", "not stated") },
          ...options.map((o) => ({ value: o.id, label: o.name })),
        ]}
        onChange={(e) => put(e.currentTarget.value === "" ? undefined : e.currentTarget.value)}
      />
    );
  }
  if (schema.type === "boolean") {
    return (
      <Checkbox
        label={label}
        description={description}
        error={error}
        checked={value === true}
        onChange={(e) => put(e.currentTarget.checked)}
      />
    );
  }
  if (schema.type === "integer" || schema.type === "number") {
    return (
      <NumberInput
        {...said}
        value={(value as number) ?? ""}
        allowDecimal={schema.type === "number"}
        onChange={(v) => put(typeof v === "number" ? v : undefined)}
      />
    );
  }
  const text = {
    ...said,
    value: String(value ?? ""),
    maxLength: schema.maxLength,
    onChange: (e: { currentTarget: { value: string } }) =>
      put(e.currentTarget.value === "" ? undefined : e.currentTarget.value),
  };
  return (schema.maxLength ?? 0) >= LONG ? (
    <Textarea {...text} autosize minRows={2} />
  ) : (
    <TextInput {...text} />
  );
}

type Said = { label: string; description?: string; error?: string };

function Quantity(
  p: Said & { schema: Schema; value: Tree | undefined; onPut: (v: Json | undefined) => void },
) {
  const units = p.schema.properties?.unit?.enum ?? [];
  const unit = String(p.value?.unit ?? units[0]);
  return (
    <div className="schema-quantity">
      <NumberInput
        label={p.label}
        description={p.description}
        error={p.error}
        value={(p.value?.value as number) ?? ""}
        onChange={(v) => p.onPut(typeof v === "number" ? { value: v, unit } : undefined)}
      />
      <NativeSelect
        aria-label={say("sheets.schema-form.unit-of", "Unit of: {0}", p.label)}
        data={units}
        value={unit}
        onChange={(e) => p.value && p.onPut({ ...p.value, unit: e.currentTarget.value })}
      />
    </div>
  );
}

function Several(p: Said & { all: Named[]; value: string[]; onPut: (v: Json | undefined) => void }) {
  const names = p.value.map(
    (v) =>
      p.all.find((a) => a.id === v)?.name ??
      say("sheets.schema-form.not-on-the-sheet", "{0} (not on the sheet)", v),
  );
  const lost = p.value.filter((v) => !p.all.some((a) => a.id === v)).map((id) => ({ id, name: id }));
  return (
    <details className="schema-several" open={p.error !== undefined}>
      <summary>
        <b>{p.label}</b>: {names.join(", ") || say("sheets.schema-form.none", "none")}
      </summary>
      {p.description && <p className="quiet">{p.description}</p>}
      {p.error && <p className="note stop">{p.error}</p>}
      <div>
        {[...lost, ...p.all].map((a) => (
          <label key={a.id}>
            <input
              type="checkbox"
              checked={p.value.includes(a.id)}
              onChange={(e) =>
                p.onPut(e.currentTarget.checked ? [...p.value, a.id] : p.value.filter((v) => v !== a.id))
              }
            />
            {a.name}
          </label>
        ))}
      </div>
    </details>
  );
}

/** A short list inside a thing: options of a group, lubrication points. */
function Rows(p: Props & { field: string; label: string }) {
  const rows = (at(p.sheet, p.pointer) as Tree[]) ?? [];
  const item = p.schema.items ?? {};
  const fresh = (): Tree =>
    item.properties?.id
      ? {
          id: idFor("option", [...idsOf(p.sheet), ...rows.map((r) => String(r.id))]),
          name: "",
          ...FRESH[p.field],
        }
      : { point: "", frequency: "daily" };
  return (
    <fieldset className="schema-group">
      <legend>{p.label}</legend>
      {rows.map((_, i) => (
        <div key={i} className="schema-row">
          <SchemaForm {...p} schema={item} pointer={`${p.pointer}/${i}`} without={[]} />
          <button className="btn small" type="button" onClick={() => p.onPut(`${p.pointer}/${i}`, undefined)}>
            {say("sheets.schema-form.take-off", "Take off")}
          </button>
        </div>
      ))}
      <button className="btn small" type="button" onClick={() => p.onPut(p.pointer, [...rows, fresh()])}>
        {say("sheets.schema-form.add-one", "Add one")}
      </button>
    </fieldset>
  );
}

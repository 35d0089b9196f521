import {
  Checkbox,
  MultiSelect,
  NativeSelect,
  NumberInput,
  TagsInput,
  Textarea,
  TextInput,
} from "@mantine/core";
import { memo, useCallback, useEffect, useRef, useState } from "react";
import type { FieldProblem, Schemas } from "../api/client";
import { type Step, showQuantity, splitQuantity } from "./draft";
import { LineField } from "./LineField";
import { fieldLabel } from "./words";

type Props = {
  step: Step;
  /** The verdict on the screen is about this step as it is written. */
  settled: boolean;
  number: number;
  actions: Schemas["ActionInfo"][];
  sheet: Schemas["SheetView"];
  chemicals: Schemas["ChemicalView"][];
  problems: FieldProblem[];
  readOnly: boolean;
  onChange: (step: Step, field: string) => void;
};

const EXAMPLES: Record<string, string> = {
  strength: "100 mg/L or 1 %",
  temperature: "45 °C or 113 °F",
  volume: "40 L",
  dwell: "10 min",
  contact: "60 s",
  below: "45 °C",
  standing: "60 min",
  velocity: "1.5 m/s",
  finalRinse: "82 °C",
  pressure: "100 kPa",
};

const CHOICES: Record<string, string[]> = {
  mode: ["stop", "safe-position", "drain", "expel", "run", "clean-mode"],
  endPoint: ["clear", "no-suds", "tap-ph", "volumes", "minutes"],
  readings: ["strength", "temperature", "ph"],
  flow: ["forward", "reverse", "alternate"],
};

/** What a step keeps whatever is done in it. */
const ALWAYS = ["id", "words", "because", "caution", "minutes", "people", "when"];

const WET = ["cloth", "brush", "spray", "immerse", "flood", "hose", "pressure", "washer"];
const DRYING = ["air", "fan", "heat", "towel"];

/** Drawn for a change of its step, not for every verdict that comes in. */
export const StepEditor = memo(function StepEditor(p: Props) {
  const info = p.actions.find((a) => a.name === p.step.action);
  const problem = (field: string) => p.problems.find((x) => x.pointer.split("/")[3] === field)?.message;
  // Always the newest step, so that the fields below need not be drawn anew for a key in another one.
  const latest = useRef(p);
  latest.current = p;
  const set = useCallback((field: keyof Step, value: unknown) => {
    const { step, onChange } = latest.current;
    const empty = value === "" || value === undefined || (Array.isArray(value) && value.length === 0);
    onChange({ ...step, [field]: empty ? undefined : value }, `${step.id}-${field}`);
  }, []);

  const onLine = useCallback((next: Step) => latest.current.onChange(next, `${next.id}-line`), []);
  const onAction = useCallback((name: string) => {
    const { step, actions, onChange } = latest.current;
    const fields = actions.find((a) => a.name === name)?.fields ?? [];
    const kept = Object.fromEntries(
      Object.entries(step).filter(([k]) => fields.includes(k) || ALWAYS.includes(k)),
    );
    const method = name === "dry" || step.action === "dry" ? { method: undefined } : {};
    const mode = name === "operate" ? { mode: "stop" } : {};
    onChange({ ...(kept as Step), ...method, ...mode, action: name }, `${step.id}-action`);
  }, []);

  return (
    <fieldset className="editor" disabled={p.readOnly}>
      <legend className="sr-only">Step {p.number}</legend>
      {!p.readOnly && (
        <LineField
          machine={p.sheet.code}
          step={p.step}
          settled={p.settled}
          label="As a line"
          onStep={onLine}
        />
      )}
      <ActionField
        actions={p.actions}
        value={p.step.action}
        problem={problem("action")}
        onChange={onAction}
      />
      {info?.fields.map((f) => (
        <Field
          key={f}
          field={f}
          value={p.step[f as keyof Step]}
          action={p.step.action}
          sheet={p.sheet}
          chemicals={p.chemicals}
          problem={problem(f)}
          set={set}
        />
      ))}
      {SAID.map(([field, name]) => (
        <Said
          key={field}
          field={field}
          label={name}
          value={p.step[field] ?? ""}
          problem={problem(field)}
          set={set}
        />
      ))}
      {p.sheet.options.length > 0 && (
        <WhenField sheet={p.sheet} value={p.step.when ?? ""} problem={problem("when")} set={set} />
      )}
      <div className="pair">
        {PLANNED.map(([field, name]) => (
          <PlannedField
            key={field}
            field={field}
            label={name}
            value={p.step[field] ?? 1}
            problem={problem(field)}
            set={set}
          />
        ))}
      </div>
    </fieldset>
  );
});

type ActionProps = {
  actions: Schemas["ActionInfo"][];
  value: string;
  problem: string | undefined;
  onChange: (name: string) => void;
};

const ActionField = memo(function ActionField({ actions, value, problem, onChange }: ActionProps) {
  return (
    <NativeSelect
      label="What is done"
      data={actions.map((a) => ({ value: a.name, label: a.label }))}
      value={value}
      onChange={(e) => onChange(e.currentTarget.value)}
      error={problem}
    />
  );
});

type Set = (field: keyof Step, value: unknown) => void;

type WhenProps = {
  sheet: Schemas["SheetView"];
  value: string;
  problem: string | undefined;
  set: Set;
};

const WhenField = memo(function WhenField({ sheet, value, problem, set }: WhenProps) {
  return (
    <NativeSelect
      label="Only where the machine has"
      data={[
        { value: "", label: "always" },
        ...sheet.options.flatMap((g) =>
          g.choices.map((c) => ({ value: `${g.id}=${c.id}`, label: `${g.name}: ${c.name}` })),
        ),
      ]}
      value={value}
      onChange={(e) => set("when", e.currentTarget.value)}
      error={problem}
    />
  );
});

const PLANNED = [
  ["minutes", "Planned minutes"],
  ["people", "People"],
] as const;

type PlannedProps = {
  field: (typeof PLANNED)[number][0];
  label: string;
  value: number;
  problem: string | undefined;
  set: Set;
};

const PlannedField = memo(function PlannedField({ field, label, value, problem, set }: PlannedProps) {
  return (
    <NumberInput
      label={label}
      value={value}
      onChange={(v) => set(field, v === "" ? 1 : Number(v))}
      error={problem}
    />
  );
});

const SAID = [
  ["words", "Words for the cleaner"],
  ["because", "Because"],
  ["caution", "Caution"],
] as const;

type SaidProps = {
  field: (typeof SAID)[number][0];
  label: string;
  value: string;
  problem: string | undefined;
  set: Set;
};

const Said = memo(function Said({ field, label, value, problem, set }: SaidProps) {
  return (
    <Textarea
      label={label}
      // Grows by its style sheet: measuring it by script would lay the page out at each key.
      classNames={{ input: "grows" }}
      rows={field === "words" ? 2 : 1}
      value={value}
      onChange={(e) => set(field, e.currentTarget.value)}
      error={problem}
    />
  );
});

type FieldProps = {
  field: string;
  value: unknown;
  action: string;
  sheet: Schemas["SheetView"];
  chemicals: Schemas["ChemicalView"][];
  problem: string | undefined;
  set: Set;
};

const Field = memo(function Field(p: FieldProps) {
  const label = fieldLabel(p.field).replace(/^.(?!H$)/, (c) => c.toUpperCase());
  const list = (p.value as string[] | undefined) ?? [];
  switch (p.field) {
    case "items":
      return (
        <MultiSelect
          label={label}
          searchable
          clearable
          hidePickedOptions
          data={itemOptions(p.sheet, p.action)}
          value={list}
          onChange={(v) => p.set("items", v)}
          error={p.problem}
          maxDropdownHeight={260}
        />
      );
    case "energies":
      return (
        <MultiSelect
          label={label}
          data={p.sheet.energies.map((e) => ({ value: e.id, label: e.name }))}
          value={list}
          onChange={(v) => p.set("energies", v)}
          error={p.problem}
        />
      );
    case "checks":
      return (
        <MultiSelect
          label={label}
          data={p.sheet.checks.map((c) => ({ value: c.id, label: c.name }))}
          value={list}
          onChange={(v) => p.set("checks", v)}
          error={p.problem}
        />
      );
    case "fittings":
      return (
        <MultiSelect
          label={label}
          data={p.sheet.fittings.map((f) => ({ value: f.id, label: f.name }))}
          value={list}
          onChange={(v) => p.set("fittings", v)}
          error={p.problem}
        />
      );
    case "complete":
    case "purged":
      return (
        <TagsInput
          label={label}
          value={list}
          onChange={(v) => p.set(p.field as keyof Step, v)}
          error={p.problem}
        />
      );
    case "program":
      return (
        <NativeSelect
          label={label}
          data={[
            { value: "", label: "none: in a washer of the site" },
            ...p.sheet.programs.map((x) => ({ value: x.id, label: x.name })),
          ]}
          value={(p.value as string) ?? ""}
          onChange={(e) => p.set("program", e.currentTarget.value)}
          error={p.problem}
        />
      );
    case "places":
      return <TagsInput label={label} value={list} onChange={(v) => p.set("places", v)} error={p.problem} />;
    case "things":
      return <TagsInput label={label} value={list} onChange={(v) => p.set("things", v)} error={p.problem} />;
    case "readings":
      return (
        <MultiSelect
          label="Readings taken"
          data={CHOICES.readings}
          value={list}
          onChange={(v) => p.set("readings", v)}
          error={p.problem}
        />
      );
    case "chemical":
      return (
        <NativeSelect
          label={label}
          data={[
            { value: "", label: "not stated" },
            ...p.chemicals.map((c) => ({ value: c.id, label: `${c.name}, ${c.kind}` })),
          ]}
          value={(p.value as string) ?? ""}
          onChange={(e) => p.set("chemical", e.currentTarget.value)}
          error={p.problem}
        />
      );
    case "mode":
    case "endPoint":
    case "flow":
    case "method": {
      const choices = p.field === "method" ? (p.action === "dry" ? DRYING : WET) : CHOICES[p.field];
      return (
        <NativeSelect
          label={label}
          data={[
            ...(p.field === "mode" ? [] : [{ value: "", label: "not stated" }]),
            ...choices.map((c) => ({ value: c, label: c.replace("-", " ") })),
          ]}
          value={(p.value as string) ?? ""}
          onChange={(e) => p.set(p.field as keyof Step, e.currentTarget.value)}
          error={p.problem}
        />
      );
    }
    case "strength":
    case "temperature":
    case "volume":
    case "dwell":
    case "contact":
    case "below":
    case "standing":
    case "velocity":
    case "finalRinse":
    case "pressure":
      return <QuantityField {...p} label={label} />;
    case "ph":
    case "locks":
    case "times":
    case "count":
      return (
        <NumberInput
          label={label}
          placeholder={p.field === "count" ? "all of them" : "not stated"}
          value={(p.value as number) ?? ""}
          onChange={(v) => p.set(p.field as keyof Step, v === "" ? undefined : Number(v))}
          error={p.problem}
        />
      );
    case "toolsOut":
    case "peopleClear":
    case "guardsOn":
    case "powered":
    case "washedOut":
      return (
        <Checkbox
          label={label}
          checked={Boolean(p.value)}
          onChange={(e) => p.set(p.field as keyof Step, e.currentTarget.checked)}
        />
      );
    default:
      return (
        <TextInput
          label={label}
          value={(p.value as string) ?? ""}
          onChange={(e) => p.set(p.field as keyof Step, e.currentTarget.value)}
          error={p.problem}
        />
      );
  }
});

/** A figure is typed with its unit, as on paper. What is no figure stays here with a word about it. */
function QuantityField(p: FieldProps & { label: string }) {
  const field = p.field as keyof Step;
  const stated = showQuantity(p.value as Schemas["Quantity"] | undefined);
  const [text, setText] = useState(stated);
  const [typing, setTyping] = useState(false);
  useEffect(() => {
    if (!typing) {
      setText(stated);
    }
  }, [stated, typing]);
  const readable = text.trim() === "" || splitQuantity(text) !== null;
  return (
    <TextInput
      label={p.label}
      placeholder={`for instance ${EXAMPLES[p.field]}`}
      value={text}
      onFocus={() => setTyping(true)}
      onBlur={() => setTyping(false)}
      onChange={(e) => {
        const typed = e.currentTarget.value;
        setText(typed);
        const q = splitQuantity(typed);
        if (typed.trim() === "") {
          p.set(field, undefined);
        } else if (q) {
          p.set(field, q);
        }
      }}
      error={readable ? p.problem : `This is a number with its unit, for instance ${EXAMPLES[p.field]}.`}
    />
  );
}

function itemOptions(sheet: Schemas["SheetView"], action: string) {
  const whole = ["remove", "install", "shift", "return"].includes(action);
  const fits = (part: Schemas["PartView"]) => {
    if (action === "remove" || action === "install") {
      return part.removable;
    }
    return action === "shift" || action === "return" ? part.shifts : true;
  };
  const parts = sheet.parts
    .filter(fits)
    .map((x) => ({ value: x.id, label: x.count > 1 ? `${x.name} (${x.count})` : x.name }));
  if (whole) {
    return parts;
  }
  return [
    { group: "Parts, with all their surfaces", items: parts },
    ...(sheet.passages.length > 0
      ? [
          {
            group: "Passages, with all that their liquid wets",
            items: sheet.passages.map((x) => ({ value: x.id, label: x.name })),
          },
        ]
      : []),
    ...sheet.parts.map((x) => ({
      group: x.name,
      items: x.surfaces.map((y) => ({ value: y.id, label: y.name })),
    })),
  ];
}

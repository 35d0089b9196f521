import {
  Checkbox,
  MultiSelect,
  NativeSelect,
  NumberInput,
  TagsInput,
  Textarea,
  TextInput,
} from "@mantine/core";
import { memo, useCallback, useEffect, useMemo, useRef, useState } from "react";
import type { FieldProblem, Schemas } from "../api/client";
import { type Step, showQuantity, splitQuantity } from "../ribbon/draft";
import type { Actions, Stated } from "../ribbon/words";
import { say } from "../shared/say";
import { told } from "../shared/texts";
import { Aim } from "./Aim";
import { LineField } from "./LineField";

type Props = {
  step: Step;
  /** The verdict on the screen is about this step as it is written. */
  settled: boolean;
  number: number;
  actions: Actions;
  sheet: Schemas["SheetView"];
  chemicals: Schemas["ChemicalView"][];
  problems: FieldProblem[];
  readOnly: boolean;
  onChange: (step: Step, field: string) => void;
};

/** What a step keeps whatever is done in it. */
const ALWAYS = ["id", "words", "because", "caution", "minutes", "people", "when"];

/** Of an action that can state many things, the ones that most steps state. */
const COMMON = ["strength", "temperature", "volume", "place", "method", "dwell", "contact", "endPoint"];
const MANY = 6;

/** Whether a field stands open: where there are few, it is common, or the step states it. */
function isOpen(f: Stated, all: Stated[], step: Step): boolean {
  const value = (step as Record<string, unknown>)[f.name];
  const stated = value !== undefined && value !== false;
  const names = f.kind === "NAMES" || f.kind === "CHEMICAL";
  return all.length <= MANY || stated || f.needed || names || COMMON.includes(f.name);
}

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
      Object.entries(step).filter(([k, v]) => {
        const field = fields.find((f) => f.name === k);
        return (
          ALWAYS.includes(k) || (field && (field.kind !== "CHOICE" || field.choices.includes(v as string)))
        );
      }),
    );
    const needed = fields.filter((f) => f.needed && !(f.name in kept)).map((f) => [f.name, f.choices[0]]);
    onChange({ ...(kept as Step), ...Object.fromEntries(needed), action: name }, `${step.id}-action`);
  }, []);

  const fields = info?.fields ?? [];
  // Told once for a step, so that a field does not jump away under the key that fills it.
  const { id, action } = p.step;
  const open = useMemo(
    () => new Set(fields.filter((f) => isOpen(f, fields, p.step)).map((f) => f.name)),
    [id, action, info],
  );
  const field = (f: Stated) => (
    <Field
      key={f.name}
      field={f}
      value={(p.step as Record<string, unknown>)[f.name]}
      action={p.step.action}
      sheet={p.sheet}
      chemicals={p.chemicals}
      problem={problem(f.name)}
      set={set}
    />
  );

  return (
    <fieldset className="editor" disabled={p.readOnly}>
      <legend className="sr-only">{say("procedures.step-editor.step", "Step {0}", p.number)}</legend>
      {!p.readOnly && (
        <LineField
          machine={p.sheet.code}
          step={p.step}
          settled={p.settled}
          label={say("procedures.step-editor.as-a-line", "As a line")}
          onStep={onLine}
        />
      )}
      <ActionField
        actions={p.actions}
        value={p.step.action}
        problem={problem("action")}
        onChange={onAction}
      />
      {fields
        .filter((f) => open.has(f.name) || problem(f.name))
        .flatMap((f) =>
          f.name === "strength" && !p.readOnly
            ? [field(f), <Aim key="aim" step={p.step} onAim={(v) => set("strength", v)} />]
            : [field(f)],
        )}
      {fields.some((f) => !open.has(f.name)) && (
        <details key={`${p.step.id} ${p.step.action}`}>
          <summary>
            {say(
              "procedures.step-editor.more-fields",
              "More fields: {0}",
              fields
                .filter((f) => !open.has(f.name))
                .map((f) => told(f.label))
                .join(", "),
            )}
          </summary>
          {fields.filter((f) => !open.has(f.name) && !problem(f.name)).map(field)}
        </details>
      )}
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
  actions: Actions;
  value: string;
  problem: string | undefined;
  onChange: (name: string) => void;
};

const ActionField = memo(function ActionField({ actions, value, problem, onChange }: ActionProps) {
  return (
    <NativeSelect
      label={say("procedures.step-editor.what-is-done", "What is done")}
      data={actions.map((a) => ({ value: a.name, label: told(a.label) }))}
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
      label={say("procedures.step-editor.only-where-the-machine-has", "Only where the machine has")}
      data={[
        { value: "", label: say("procedures.step-editor.always", "always") },
        ...sheet.options.flatMap((g) =>
          g.choices.map((c) => ({ value: `${g.id}=${c.id}`, label: `${told(g.name)}: ${told(c.name)}` })),
        ),
      ]}
      value={value}
      onChange={(e) => set("when", e.currentTarget.value)}
      error={problem}
    />
  );
});

const PLANNED = [
  ["minutes", say("procedures.step-editor.planned-minutes", "Planned minutes")],
  ["people", say("procedures.step-editor.people", "People")],
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
  ["words", say("procedures.step-editor.words-for-the-cleaner", "Words for the cleaner")],
  ["because", say("procedures.step-editor.why", "Why")],
  ["caution", say("procedures.step-editor.caution", "Caution")],
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
  field: Stated;
  value: unknown;
  action: string;
  sheet: Schemas["SheetView"];
  chemicals: Schemas["ChemicalView"][];
  problem: string | undefined;
  set: Set;
};

/** A field of the table of actions, drawn by its kind; none has a form of its own. */
const Field = memo(function Field(p: FieldProps) {
  const label = told(p.field.label).replace(/^.(?!H$)/, (c) => c.toUpperCase());
  const name = p.field.name as keyof Step;
  const list = (p.value as string[] | undefined) ?? [];
  const common = { label, description: p.field.doc ? told(p.field.doc) : undefined, error: p.problem };
  const choose = (unstated: string, data: { value: string; label: string }[]) => (
    <NativeSelect
      {...common}
      data={[...(p.field.needed ? [] : [{ value: "", label: unstated }]), ...data]}
      value={(p.value as string) ?? ""}
      onChange={(e) => p.set(name, e.currentTarget.value)}
    />
  );
  switch (p.field.kind) {
    case "NAMES":
      return (
        <Tally of={p.field.of} label={label} list={list} sheet={p.sheet}>
          <MultiSelect
            {...common}
            searchable={p.field.of === "ITEMS"}
            clearable={p.field.of === "ITEMS"}
            hidePickedOptions
            data={namesFor(p.field, p.sheet, p.action)}
            value={list}
            onChange={(v) => p.set(name, v)}
            maxDropdownHeight={260}
          />
        </Tally>
      );
    case "TEXTS":
      return <TagsInput {...common} value={list} onChange={(v) => p.set(name, v)} />;
    case "CHOICES":
      return <MultiSelect {...common} data={p.field.choices} value={list} onChange={(v) => p.set(name, v)} />;
    case "CHEMICAL":
      return choose(
        say("procedures.step-editor.not-stated", "not stated"),
        p.chemicals.map((c) => ({ value: c.id, label: `${c.name}, ${told(c.kind)}` })),
      );
    case "CHOICE":
      return choose(
        say("procedures.step-editor.not-stated", "not stated"),
        p.field.choices.map((c) => ({ value: c, label: c.replace("-", " ") })),
      );
    case "QUANTITY":
      return <QuantityField {...p} label={label} />;
    case "NUMBER":
    case "COUNT":
      return (
        <NumberInput
          {...common}
          placeholder={
            p.field.name === "count"
              ? say("procedures.step-editor.all-of-them", "all of them")
              : say("procedures.step-editor.not-stated", "not stated")
          }
          value={(p.value as number) ?? ""}
          onChange={(v) => p.set(name, v === "" ? undefined : Number(v))}
        />
      );
    case "FLAG":
      return (
        <Checkbox
          label={label}
          checked={Boolean(p.value)}
          onChange={(e) => p.set(name, e.currentTarget.checked)}
        />
      );
    default:
      return p.field.of === "PROGRAM" ? (
        choose(
          "none: in a washer of the site",
          p.sheet.programs.map((x) => ({ value: x.id, label: x.name })),
        )
      ) : (
        <TextInput
          {...common}
          placeholder={
            p.field.example
              ? say("procedures.step-editor.for-instance", "for instance {0}", p.field.example)
              : undefined
          }
          value={(p.value as string) ?? ""}
          onChange={(e) => p.set(name, e.currentTarget.value)}
        />
      );
  }
});

/** A figure is typed with its unit, as on paper. What is no figure stays here with a word about it. */
function QuantityField(p: FieldProps & { label: string }) {
  const field = p.field.name as keyof Step;
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
      placeholder={say("procedures.step-editor.for-instance", "for instance {0}", p.field.example)}
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
      error={
        readable
          ? p.problem
          : say(
              "procedures.step-editor.this-is-a-number-with-its",
              "This is a number with its unit, for instance {0}.",
              p.field.example,
            )
      }
    />
  );
}

/** So many fit beside each other; more are told by the part they belong to, until somebody changes them. */
const AS_PILLS = 4;

function Tally({
  of,
  label,
  list,
  sheet,
  children,
}: {
  of: string;
  label: string;
  list: string[];
  sheet: Schemas["SheetView"];
  children: React.ReactNode;
}) {
  const [open, setOpen] = useState(false);
  if (of !== "ITEMS" || list.length <= AS_PILLS || open) {
    return <>{children}</>;
  }
  return (
    <section className="tally" aria-label={label}>
      <div className="tally-head">
        <span>
          {label}: {list.length}
        </span>
        <button className="link" type="button" onClick={() => setOpen(true)}>
          {say("procedures.step-editor.change", "Change…")}
        </button>
      </div>
      <ul>
        {byPart(list, sheet).map((x) => (
          <li key={x.part}>
            <b>{x.part}</b>
            {x.surfaces.length > 0 && `: ${x.surfaces.join("; ")}`}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Parts and passages named whole, then parts of which only some surfaces are named. */
export function byPart(list: string[], sheet: Schemas["SheetView"]) {
  const whole = [...sheet.parts, ...sheet.passages]
    .filter((x) => list.includes(x.id))
    .map((x) => ({ part: told(x.name), surfaces: [] as string[] }));
  const some = sheet.parts
    .map((x) => ({
      part: told(x.name),
      surfaces: x.surfaces.filter((s) => list.includes(s.id)).map((s) => told(s.name)),
    }))
    .filter((x) => x.surfaces.length > 0);
  const known = new Set(
    [...sheet.parts, ...sheet.passages, ...sheet.parts.flatMap((x) => x.surfaces)].map((x) => x.id),
  );
  const unknown = list.filter((id) => !known.has(id)).map((id) => ({ part: id, surfaces: [] as string[] }));
  const names = whole.map((x) => x.part).join("; ");
  return [...(names ? [{ part: names, surfaces: [] as string[] }] : []), ...some, ...unknown];
}

function namesFor(field: Stated, sheet: Schemas["SheetView"], action: string) {
  const named = (all: { id: string; name: string }[]) =>
    all.map((x) => ({ value: x.id, label: told(x.name) }));
  switch (field.of) {
    case "ENERGIES":
      return named(sheet.energies);
    case "CHECKS":
      return named(sheet.checks);
    case "FITTINGS":
      return named(sheet.fittings);
    default:
      return itemOptions(sheet, action);
  }
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
    .map((x) => ({ value: x.id, label: x.count > 1 ? `${told(x.name)} (${x.count})` : told(x.name) }));
  if (whole) {
    return parts;
  }
  return [
    {
      group: say("procedures.step-editor.parts-with-all-their-surfaces", "Parts, with all their surfaces"),
      items: parts,
    },
    ...(sheet.passages.length > 0
      ? [
          {
            group: say(
              "procedures.step-editor.passages-with-all-that-their-liquid",
              "Passages, with all that their liquid wets",
            ),
            items: sheet.passages.map((x) => ({ value: x.id, label: told(x.name) })),
          },
        ]
      : []),
    ...sheet.parts.map((x) => ({
      group: told(x.name),
      items: x.surfaces.map((y) => ({ value: y.id, label: told(y.name) })),
    })),
  ];
}

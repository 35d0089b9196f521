import { Checkbox, NativeSelect, NumberInput, Textarea, TextInput } from "@mantine/core";
import { useState } from "react";
import type { Schemas } from "../api/client";
import type { Doc } from "../ribbon/draft";
import { Dialog } from "../shared/Dialog";
import { KINDS } from "../shared/kinds";
import { say } from "../shared/say";
import { told } from "../shared/texts";

type Props = {
  doc: Doc;
  sheet: Schemas["SheetView"];
  onClose: () => void;
  onTake: (next: Doc) => void;
};

const EVENT = { value: "event", label: say("procedures.head-form.after-an-event", "after an event") };

/** What holds for the whole procedure: what it is for, what is worn, how many work, which ways it follows. */
export function HeadForm({ doc, sheet, onClose, onTake }: Props) {
  const [title, setTitle] = useState(doc.title);
  const [kind, setKind] = useState(doc.kind);
  const [worn, setWorn] = useState((doc.ppe ?? []).join("\n"));
  const [people, setPeople] = useState<number | string>(doc.people);
  const [first, setFirst] = useState(doc.schools.assembledFirst);
  const [rinse, setRinse] = useState(doc.schools.rinseAfterSanitizer);
  const [clears, setClears] = useState(doc.clears ?? []);
  const count = Number(people);
  const slip = {
    title: title.trim() === "" ? say("procedures.head-form.give-it-a-title", "Give it a title.") : undefined,
    people:
      Number.isInteger(count) && count >= 1 && count <= 20
        ? undefined
        : say("procedures.head-form.people-1-to-20", "People are a whole number from 1 to 20."),
  };
  function take() {
    onTake({
      ...doc,
      title: title.trim(),
      kind,
      people: count,
      ppe: worn
        .split("\n")
        .map((w) => w.trim())
        .filter((w) => w !== ""),
      schools: { assembledFirst: first, rinseAfterSanitizer: rinse },
      clears: clears.length > 0 ? clears : undefined,
    });
  }
  return (
    <Dialog
      title={say("procedures.head-form.the-whole-procedure", "The whole procedure")}
      middle
      onClose={onClose}
    >
      <TextInput
        label={say("procedures.head-form.title", "Title")}
        maxLength={200}
        value={title}
        error={slip.title}
        onChange={(e) => setTitle(e.currentTarget.value)}
      />
      <NativeSelect
        label={say("procedures.head-form.frequency", "Frequency")}
        data={[EVENT, ...KINDS]}
        value={kind}
        onChange={(e) => setKind(e.currentTarget.value)}
      />
      <Textarea
        label={say("procedures.head-form.worn-throughout", "Protective equipment worn throughout")}
        description={say("procedures.head-form.one-a-line", "One a line, for instance cut-resistant gloves.")}
        rows={3}
        value={worn}
        onChange={(e) => setWorn(e.currentTarget.value)}
      />
      <NumberInput
        label={say("procedures.head-form.people-at-the-machine", "People at the machine")}
        min={1}
        max={20}
        value={people}
        error={slip.people}
        onChange={setPeople}
      />
      <Checkbox
        label={say(
          "procedures.head-form.assembled-first",
          "Assembled first, sanitizer run through just before use",
        )}
        checked={first}
        onChange={(e) => setFirst(e.currentTarget.checked)}
      />
      <Checkbox
        label={say("procedures.head-form.rinsed-after", "Rinsed with drinking water after the sanitizer")}
        checked={rinse}
        onChange={(e) => setRinse(e.currentTarget.checked)}
      />
      {sheet.allergens.length > 0 && (
        <Checkbox.Group
          label={say("procedures.head-form.allergens-cleared", "Allergens that have to be gone")}
          description={say(
            "procedures.head-form.another-product-follows",
            "Only where another product follows that may not hold them; it takes a wet clean and a swab for each.",
          )}
          value={clears}
          onChange={setClears}
        >
          {sheet.allergens.map((a) => (
            <Checkbox key={a} value={a} label={told(a)} />
          ))}
        </Checkbox.Group>
      )}
      <div className="dialog-row">
        <button className="btn" type="button" onClick={onClose}>
          {say("procedures.head-form.cancel", "Cancel")}
        </button>
        <button
          className="btn main"
          type="button"
          disabled={slip.title !== undefined || slip.people !== undefined}
          onClick={take}
        >
          {say("procedures.head-form.take-over", "Use these")}
        </button>
      </div>
    </Dialog>
  );
}

import { say } from "../shared/say";
import "./new-draft.css";
import { Checkbox, NativeSelect } from "@mantine/core";
import { useMutation, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { ApiProblem, api, message, type Schemas, unwrap } from "../api/client";
import { Dialog } from "../shared/Dialog";
import { keys } from "../shared/keys";
import { KINDS } from "../shared/kinds";
import { useSite } from "../shared/session";
import { told } from "../shared/texts";

type Props = { onClose: () => void; onMade: (made: Schemas["Made"]) => void };

/** A whole procedure from a machine's sheet: which machine, how deep, by which school. */
export function NewDraft({ onClose, onMade }: Props) {
  const machines = useQuery({ queryKey: keys.machines(), queryFn: () => unwrap(api.GET("/api/machines")) });
  const [machine, setMachine] = useState("");
  const [kind, setKind] = useState("daily");
  const ways = useSite().data?.ways;
  const [asked, ask] = useState<{ assembledFirst?: boolean; rinseAfterSanitizer?: boolean }>({});
  const { assembledFirst, rinseAfterSanitizer } = {
    assembledFirst: ways?.assembledFirst ?? false,
    rinseAfterSanitizer: ways?.rinseAfterSanitizer ?? false,
    ...asked,
  };
  const [halves, setHalves] = useState(false);
  const [scope, setScope] = useState<Record<string, string[]>>({});
  const chosen = machine || machines.data?.[0]?.code || "";
  const sheet = useQuery({
    queryKey: keys.sheet(chosen),
    enabled: chosen !== "",
    queryFn: () => unwrap(api.GET("/api/machines/{code}", { params: { path: { code: chosen } } })),
  });
  const groups = sheet.data?.options ?? [];
  const holdsFor = (g: Schemas["OptionView"]) => scope[g.id] ?? [g.fitted];
  const open = groups.find((g) => holdsFor(g).length === 0);
  const make = useMutation({
    mutationFn: () =>
      unwrap(
        api.POST("/api/drafts", {
          body: { machine: chosen, kind, assembledFirst, rinseAfterSanitizer, scope, halves },
        }),
      ),
    onSuccess: onMade,
  });
  const reasons = make.error instanceof ApiProblem ? make.error.fields : [];
  return (
    <Dialog
      title={say("shelf.new-draft.a-procedure-from-a-machines-sheet", "A procedure from a machine’s sheet")}
      middle
      onClose={onClose}
    >
      <p className="quiet">
        {say(
          "shelf.new-draft.it-comes-complete-in-the-order",
          "It comes complete, in the order that hurts nobody, and without a STOP or a FIX. You read it, make it yours and approve it.",
        )}
      </p>
      <NativeSelect
        label={say("shelf.new-draft.machine", "Machine")}
        data={(machines.data ?? []).map((m) => ({ value: m.code, label: `${m.code} ${told(m.name)}` }))}
        value={chosen}
        onChange={(e) => {
          setMachine(e.currentTarget.value);
          setScope({});
        }}
        data-autofocus
      />
      <NativeSelect
        label={say("shelf.new-draft.frequency", "Frequency")}
        description={say(
          "shelf.new-draft.everything-due-at-this-frequency-or",
          "Everything due at this frequency or more often is included.",
        )}
        data={KINDS}
        value={kind}
        onChange={(e) => setKind(e.currentTarget.value)}
      />
      {groups.map((g) => (
        <Checkbox.Group
          key={g.id}
          className="holds-for"
          label={say("shelf.new-draft.holds-for", "Holds for {0}", told(g.name).toLowerCase())}
          error={
            g === open
              ? say("shelf.new-draft.it-has-to-hold-for-one", "It has to hold for one of them at least.")
              : undefined
          }
          value={holdsFor(g)}
          onChange={(v) => setScope({ ...scope, [g.id]: v })}
        >
          <div className="holds-options">
            {g.choices.map((c) => (
              <Checkbox
                key={c.id}
                value={c.id}
                label={
                  c.id === g.fitted
                    ? say("shelf.new-draft.fitted", "{0} (fitted)", told(c.name))
                    : told(c.name)
                }
              />
            ))}
          </div>
        </Checkbox.Group>
      ))}
      <Checkbox
        label={say(
          "shelf.new-draft.in-two-halves-stripped-washed-and",
          "In two halves: stripped, washed and dried at closing, put together and sanitized at opening",
        )}
        checked={halves}
        onChange={(e) => setHalves(e.currentTarget.checked)}
      />
      <Checkbox
        label={say(
          "shelf.new-draft.assembled-clean-then-sanitized-in-place",
          "Assembled clean, then sanitized in place by filling, and flushed with product",
        )}
        checked={assembledFirst}
        onChange={(e) => ask({ ...asked, assembledFirst: e.currentTarget.checked })}
      />
      <Checkbox
        label={say(
          "shelf.new-draft.rinse-with-drinking-water-after-the",
          "Rinse with drinking water after the sanitizer",
        )}
        checked={rinseAfterSanitizer}
        onChange={(e) => ask({ ...asked, rinseAfterSanitizer: e.currentTarget.checked })}
      />
      {make.isError && (
        <div className="note stop" role="alert">
          <b>
            {reasons.length > 0
              ? say("shelf.new-draft.no-procedure-can-be-drafted", "No procedure can be drafted:")
              : message(make.error)}
          </b>
          <ul>
            {reasons.slice(0, 8).map((r) => (
              <li key={r.message}>{r.message}</li>
            ))}
          </ul>
        </div>
      )}
      <div className="dialog-row">
        <button
          className="btn main"
          type="button"
          disabled={!chosen || make.isPending || open !== undefined}
          onClick={() => make.mutate()}
        >
          {say("shelf.new-draft.draft", "Draft")}
        </button>
        <button className="btn" type="button" onClick={onClose}>
          {say("shelf.new-draft.cancel", "Cancel")}
        </button>
      </div>
    </Dialog>
  );
}

import { useEffect, useRef, useState } from "react";
import type { Schemas } from "../api/client";
import { type Command, useOffer } from "../shared/commands";
import { say } from "../shared/say";
import { told } from "../shared/texts";

type Doing = {
  show: (tab: "verdict" | "compare" | "what-if") => void;
  save: () => void;
  undo: () => void;
  redo: () => void;
  insert: (action: string) => void;
};

const PANES = {
  verdict: say("procedures.use-bench-commands.verdict", "verdict"),
  compare: say("procedures.use-bench-commands.compare", "compare"),
  "what-if": say("procedures.use-bench-commands.what-if", "what if"),
};

function named(editable: boolean, actions: Schemas["ActionInfo"][], doing: () => Doing): Command[] {
  const does = (
    id: string,
    name: string,
    run: () => void,
    group = say("procedures.use-bench-commands.workbench", "Workbench"),
  ) => ({ id, name, group, run });
  const show = (["verdict", "compare", "what-if"] as const).map((tab) =>
    does(`show-${tab}`, say("procedures.use-bench-commands.show", "Show: {0}", PANES[tab]), () =>
      doing().show(tab),
    ),
  );
  if (!editable) {
    return show;
  }
  return [
    does("save", say("procedures.use-bench-commands.save", "Save"), () => doing().save()),
    does("undo", say("procedures.use-bench-commands.undo", "Undo"), () => doing().undo()),
    does("redo", say("procedures.use-bench-commands.redo", "Redo"), () => doing().redo()),
    ...show,
    ...actions.map((a) =>
      does(
        `insert-${a.name}`,
        say("procedures.use-bench-commands.insert", "Insert: {0}", told(a.label)),
        () => doing().insert(a.name),
        say("procedures.use-bench-commands.insert-after-this-step", "Insert after this step"),
      ),
    ),
  ];
}

/** What the workbench offers by name. The names stay while a word is typed; what they do is always the newest. */
export function useBenchCommands(editable: boolean, actions: Schemas["ActionInfo"][], doing: Doing) {
  const newest = useRef(doing);
  newest.current = doing;
  const [commands, setCommands] = useState<Command[]>([]);
  useEffect(() => setCommands(named(editable, actions, () => newest.current)), [editable, actions]);
  useOffer(commands);
}

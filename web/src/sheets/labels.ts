import { say } from "../shared/say";
/** Lists of the sheet that have a place of their own, with what one of them is called. */
export const LISTS: [string, string, string][] = [
  ["parts", say("sheets.labels.parts", "Parts"), say("sheets.labels.part", "part")],
  [
    "energies",
    say("sheets.labels.power-and-stored-energy", "Power and stored energy"),
    say("sheets.labels.power-source", "power source"),
  ],
  [
    "checks",
    say("sheets.labels.checks-after-assembly", "Checks after assembly"),
    say("sheets.labels.check", "check"),
  ],
  [
    "optionGroups",
    say("sheets.labels.options", "Options"),
    say("sheets.labels.group-of-options", "group of options"),
  ],
  ["passages", say("sheets.labels.passages", "Passages"), say("sheets.labels.passage", "passage")],
  [
    "fittings",
    say("sheets.labels.cleaning-fittings", "Cleaning fittings"),
    say("sheets.labels.fitting", "fitting"),
  ],
  ["programs", say("sheets.labels.programs", "Programs"), say("sheets.labels.program", "program")],
  [
    "settings",
    say("sheets.labels.machine-settings", "Machine settings"),
    say("sheets.labels.setting", "setting"),
  ],
  ["counters", say("sheets.labels.counters", "Counters"), say("sheets.labels.counter", "counter")],
  ["upkeep", say("sheets.labels.upkeep", "Upkeep"), say("sheets.labels.task", "task")],
  ["kits", say("sheets.labels.wear-parts-and-kits", "Wear parts and kits"), say("sheets.labels.kit", "kit")],
  ["recipes", say("sheets.labels.recipes", "Recipes"), say("sheets.labels.recipe", "recipe")],
];

export const shown = (value: string) => value.replace(/-/g, " ");

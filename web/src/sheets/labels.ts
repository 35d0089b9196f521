import { say } from "../shared/say";
/** Lists of the sheet that have a place of their own, with what one of them is called. */
export const LISTS: [string, string, string][] = [
  ["parts", say("sheets.labels.parts", "Parts"), "part"],
  [
    "energies",
    say("sheets.labels.power-and-stored-energy", "Power and stored energy"),
    say("sheets.labels.power-source", "power source"),
  ],
  ["checks", say("sheets.labels.checks-after-assembly", "Checks after assembly"), "check"],
  [
    "optionGroups",
    say("sheets.labels.options", "Options"),
    say("sheets.labels.group-of-options", "group of options"),
  ],
  ["passages", say("sheets.labels.passages", "Passages"), "passage"],
  ["fittings", say("sheets.labels.cleaning-fittings", "Cleaning fittings"), "fitting"],
  ["programs", say("sheets.labels.programs", "Programs"), "program"],
  ["settings", say("sheets.labels.machine-settings", "Machine settings"), "setting"],
  ["counters", say("sheets.labels.counters", "Counters"), "counter"],
  ["upkeep", say("sheets.labels.upkeep", "Upkeep"), "task"],
  ["kits", say("sheets.labels.wear-parts-and-kits", "Wear parts and kits"), "kit"],
  ["recipes", say("sheets.labels.recipes", "Recipes"), "recipe"],
];

export const shown = (value: string) => value.replace(/-/g, " ");

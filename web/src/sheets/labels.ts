/** Lists of the sheet that have a place of their own, with what one of them is called. */
export const LISTS: [string, string, string][] = [
  ["parts", "Parts", "part"],
  ["energies", "Power and stored energy", "power source"],
  ["checks", "Checks after assembly", "check"],
  ["optionGroups", "Options", "group of options"],
  ["passages", "Passages", "passage"],
  ["fittings", "Cleaning fittings", "fitting"],
  ["programs", "Programs", "program"],
  ["settings", "Machine settings", "setting"],
  ["counters", "Counters", "counter"],
  ["upkeep", "Upkeep", "task"],
  ["kits", "Wear parts and kits", "kit"],
  ["recipes", "Recipes", "recipe"],
];

export const shown = (value: string) => value.replace(/-/g, " ");

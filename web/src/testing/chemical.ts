import type { ChemicalDoc } from "../chemicals/form";

/** A product with all that its label may say. */
export const PELM: ChemicalDoc = {
  id: "pelm-9",
  name: "Pelm 9",
  kind: "quat",
  registration: "TF-S-1",
  stock: { percent: 10, basis: "mass-in-volume" },
  label: {
    least: { value: 200, unit: "mg/L" },
    most: { value: 400, unit: "mg/L" },
    contact: { value: 60, unit: "s" },
    highestPh: { value: 9, unit: "pH" },
    soakCleans: false,
    rinseDirected: true,
    directions: "Keep wet.",
  },
  uses: ["food-contact surfaces"],
  organisms: [],
  ppe: ["goggles"],
  neverWith: [],
  pricePerLitre: 2.1,
  shelfLifeDays: 120,
  reorder: { amount: 10, unit: "L", leadDays: 5 },
};

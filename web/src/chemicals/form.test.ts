import { expect, test } from "vitest";
import { showQuantity, splitQuantity } from "../ribbon/draft";
import { type ChemicalDoc, documentOf, formOf, idFrom } from "./form";

const DOC: ChemicalDoc = {
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

test("a product goes through the form unchanged", () => {
  const back = documentOf(formOf(DOC, showQuantity), DOC.id, splitQuantity);
  expect(JSON.parse(JSON.stringify(back))).toEqual(DOC);
});

test("an empty field is not on the label, and no figure becomes zero", () => {
  const form = { ...formOf(DOC, showQuantity), least: "", highestPh: " ", stock: "" };
  const doc = documentOf(form, DOC.id, splitQuantity);
  expect(doc.label.least).toBeUndefined();
  expect(doc.label.highestPh).toBeUndefined();
  expect(doc.stock).toBeUndefined();
});

test("what is no figure is sent as typed, so that the server names the field", () => {
  const form = { ...formOf(DOC, showQuantity), contact: "a while", stock: "strong", reorder: "some" };
  const doc = documentOf(form, DOC.id, splitQuantity);
  expect(doc.reorder).toBe("some");
  expect(doc.label.contact).toBe("a while");
  expect(doc.stock?.percent).toBe("strong");
});

test("comma and point both mark decimals", () => {
  const doc = documentOf({ ...formOf(DOC, showQuantity), price: "2,35" }, DOC.id, splitQuantity);
  expect(doc.pricePerLitre).toBe(2.35);
});

test("a new product gets an id from its name", () => {
  expect(idFrom(" Pelm 9, Größe L ")).toBe("pelm-9-gr-e-l");
});

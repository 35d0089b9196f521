import { expect, test } from "vitest";
import { showQuantity, splitQuantity } from "../ribbon/draft";
import { PELM as DOC } from "../testing/chemical";
import { documentOf, formOf, idFrom } from "./form";

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

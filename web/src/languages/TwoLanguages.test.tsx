import { screen, within } from "@testing-library/react";
import { afterEach, describe, expect, it } from "vitest";
import { Problem, show } from "../testing/page";
import TwoLanguages from "./TwoLanguages";

const PATH = "/api/languages/es/documents/slicer";

const row = (path: string, place: string, english: string, said?: string, was?: string) => ({
  path,
  place,
  field: path.split(".").at(-1),
  english,
  said,
  was,
});

const texts = {
  document: "slicer",
  title: "Slicer",
  language: "Español",
  rows: [
    row("steps.s1.words", "1", "Turn it to the right.", undefined, "Gírelo a la izquierda."),
    row("steps.s2.words", "2", "Rinse it.", "Enjuáguelo."),
  ],
};

const screenOf = (role: string, answers = {}) =>
  show(
    <TwoLanguages />,
    { "GET /api/session": { name: "Maren", role }, [`GET ${PATH}`]: texts, ...answers },
    "/languages/es/slicer",
    "/languages/:code/:document",
  );

afterEach(() => localStorage.clear());

describe("a document in two languages", () => {
  it("shows no old words as the translation of new ones, and says what they were", async () => {
    screenOf("SUPERVISOR");
    const first = await screen.findByRole("textbox", { name: "Turn it to the right. in Español" });
    expect((first as HTMLTextAreaElement).value).toBe("");
    expect(screen.getByText("The English was changed. Before: “Gírelo a la izquierda.”")).toBeTruthy();
    expect(screen.getByText(/1 text is shown in English of 2/)).toBeTruthy();
  });

  it("keeps what was typed over a reload, and sends only that", async () => {
    const { user } = screenOf("SUPERVISOR");
    await user.type(await screen.findByRole("textbox", { name: /Turn it/ }), "Gírelo a la derecha.");
    document.body.innerHTML = "";
    const again = screenOf("SUPERVISOR", { [`PUT ${PATH}`]: { ...texts, rows: [texts.rows[1]] } });
    await again.user.click(await screen.findByRole("button", { name: "Save 1 text" }));
    expect(again.sent.at(-1)?.body).toEqual({ texts: { "steps.s1.words": "Gírelo a la derecha." } });
    expect(await screen.findByText(/All 1 texts are translated/)).toBeTruthy();
    expect(localStorage).toHaveLength(0);
  });

  it("loses nothing where it cannot be saved", async () => {
    const { user } = screenOf("SUPERVISOR", { [`PUT ${PATH}`]: new Problem(500, "The disk is full.") });
    await user.type(await screen.findByRole("textbox", { name: /Rinse it/ }), " Bien.");
    await user.click(screen.getByRole("button", { name: "Save 1 text" }));
    expect(await screen.findByText("The disk is full.")).toBeTruthy();
    expect(screen.getByRole<HTMLTextAreaElement>("textbox", { name: /Rinse it/ }).value).toBe(
      "Enjuáguelo. Bien.",
    );
  });

  it("is read only for everybody else, and can be cut down to what is missing", async () => {
    const { user } = screenOf("QA");
    expect(await screen.findByText("Enjuáguelo.")).toBeTruthy();
    expect(screen.queryByRole("textbox")).toBeNull();
    await user.click(screen.getByRole("checkbox", { name: "Only what is missing" }));
    expect(within(screen.getByRole("table")).getAllByRole("row")).toHaveLength(2);
  });
});

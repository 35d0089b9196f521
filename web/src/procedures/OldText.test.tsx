import { screen, waitFor, within } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { ILSE, MAREN, Problem, show } from "../testing/page";
import { words } from "../testing/words";
import OldText from "./OldText";

const READINGS = [
  { line: 1, text: "Pull the plug.", notation: "Isolate Cord", missing: [] },
  { line: 2, text: "Be careful.", why: words("no verb of this machine is in it"), missing: [] },
  {
    line: 3,
    text: "Wash the blade.",
    notation: "Wash Blade with Sudmere N",
    missing: [words("the temperature"), words("the share")],
  },
];

function old(answers: object = {}, who: object = ILSE) {
  return show(
    <OldText />,
    {
      "GET /api/session": who,
      "GET /api/machines": [
        { code: "QK-SL1", name: "Blade slicer" },
        { code: "QK-OV1", name: "Tunnel oven" },
      ],
      "POST /api/old-texts": READINGS,
      "POST /api/old-texts/drafts": { id: "sl1-old", version: 1 },
      ...answers,
    },
    "/procedures/old-text",
    "/procedures/old-text",
  );
}

async function read(page: ReturnType<typeof old>) {
  await page.user.type(await screen.findByLabelText("The old text"), "Pull the plug.");
  await page.user.click(screen.getByRole("button", { name: "Read it" }));
  await screen.findByText("2 steps, 1 note");
}

describe("an old procedure", () => {
  it("makes a step of what is understood and leaves a note of the rest, with the reason", async () => {
    const page = old();
    await read(page);
    const wash = screen.getByLabelText("Step from line 3") as HTMLInputElement;
    expect(wash.value).toBe("Wash Blade with Sudmere N");
    expect(screen.getByText("Not stated: the temperature, the share")).toBeTruthy();
    expect(screen.getByText("No verb of this machine is in it")).toBeTruthy();
    expect(page.sent[0].body).toEqual({ machine: "QK-SL1", text: "Pull the plug." });
  });

  it("lets a person decide: a note becomes a step, a step a note", async () => {
    const page = old();
    await read(page);
    await page.user.click(screen.getByRole("button", { name: "Type it as a step" }));
    expect(screen.getByText("3 steps, 0 notes")).toBeTruthy();
    const first = screen.getByLabelText("Step from line 1").closest("li") as HTMLElement;
    await page.user.click(within(first).getByRole("button", { name: "Keep it as a note" }));
    expect(screen.getByText("2 steps, 1 note")).toBeTruthy();
  });

  it("is stored as a draft with its words, and opens there", async () => {
    const page = old();
    await read(page);
    const make = screen.getByRole("button", { name: "Make it a draft" }) as HTMLButtonElement;
    expect(make.disabled).toBe(true);
    await page.user.type(screen.getByLabelText("Title of the procedure"), "Slicer, as in the binder");
    await page.user.click(make);
    await waitFor(() => expect(page.router.state.location.pathname).toBe("/procedures/sl1-old/1"));
    const body = page.sent.at(-1)?.body as { lines: { line: string; words: string }[] };
    // The note goes with the step before it.
    expect(body.lines).toEqual([
      { line: "Isolate Cord", words: "Pull the plug. – Be careful." },
      { line: "Wash Blade with Sudmere N", words: "Wash the blade." },
    ]);
  });

  it("says at its line what is not understood, and stores nothing", async () => {
    const page = old({
      "POST /api/old-texts/drafts": new Problem(422, "It is not understood.", [
        { pointer: "/lines/1/line", message: "Nothing here is called Bladd." },
      ]),
    });
    await read(page);
    await page.user.type(screen.getByLabelText("Title of the procedure"), "Old");
    await page.user.click(screen.getByRole("button", { name: "Make it a draft" }));
    expect((await screen.findByRole("alert")).textContent).toContain("1 place is not understood");
    expect(screen.getByText("Nothing here is called Bladd.")).toBeTruthy();
    const wash = screen.getByLabelText("Step from line 3");
    expect(wash.getAttribute("aria-invalid")).toBe("true");
    await page.user.type(wash, " 1 %");
    await waitFor(() => expect(screen.queryByRole("alert")).toBeNull());
  });

  it("opens a file, and reads it only when told to", async () => {
    const page = old({ "POST /api/old-texts/text": { text: "Pull the plug.\nWash.", lines: 2 } });
    const chosen = new File(["x"], "slicer.docx");
    await page.user.upload(await screen.findByLabelText("Old procedure as a file"), chosen);
    expect(await screen.findByText(/slicer.docx: 2 lines\. Look whether all of it is there/)).toBeTruthy();
    expect((screen.getByLabelText("The old text") as HTMLTextAreaElement).value).toContain("Wash.");
    expect(page.sent.map((s) => s.path)).toEqual(["/api/old-texts/text"]);
  });

  it("is not for those who do not write procedures", async () => {
    old({}, MAREN);
    expect(await screen.findByText("Only a supervisor writes procedures.")).toBeTruthy();
    expect(screen.queryByLabelText("The old text")).toBeNull();
  });
});

import { screen, waitFor } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import type { Schemas } from "../api/client";
import { Problem, show } from "../testing/page";
import { useBench } from "./useBench";

const PATH = "/api/procedures/slicer/versions/1";
const view = (title: string, revision: number, state = "DRAFT") =>
  ({
    row: { id: "slicer", version: 1, state },
    revision,
    document: { title, sheetVersion: 1, steps: [] },
  }) as unknown as Schemas["ProcedureView"];

function Writing({ sheetVersion = 1, state = "DRAFT" }) {
  const d = useBench(view("As saved", 4, state), sheetVersion);
  return (
    <>
      <h1>{d.doc.title}</h1>
      <p>{d.bench.said?.text}</p>
      <p>{`sheet ${d.doc.sheetVersion}, ${d.dirty ? "not saved" : "saved"}${d.bench.restored ? ", put back" : ""}`}</p>
      <button type="button" onClick={() => d.act({ kind: "write", doc: { ...d.doc, title: "As typed" } })}>
        Type
      </button>
      <button type="button" onClick={() => d.act({ kind: "undo" })}>
        Undo
      </button>
      <button type="button" onClick={() => d.act({ kind: "redo" })}>
        Redo
      </button>
      <button type="button" onClick={d.save}>
        Save
      </button>
      <button type="button" onClick={d.theirs}>
        Theirs
      </button>
    </>
  );
}

const title = (name: string) => screen.findByRole("heading", { name });
const press = (name: string) => screen.getByRole("button", { name });

describe("a procedure under work", () => {
  it("is kept in this browser until it is saved, and says that it was put back", async () => {
    const { user } = show(<Writing />);
    await user.click(press("Type"));
    expect(await screen.findByText("sheet 1, not saved")).toBeTruthy();
    document.body.innerHTML = "";
    show(<Writing />);
    expect(await title("As typed")).toBeTruthy();
    expect(screen.getByText("sheet 1, not saved, put back")).toBeTruthy();
  });

  it("goes back over a save, and forward again", async () => {
    const { user, sent } = show(<Writing />, { [`PUT ${PATH}`]: view("As typed", 5) });
    await user.click(press("Type"));
    await user.click(press("Save"));
    expect(await screen.findByText("Saved.")).toBeTruthy();
    expect(sent.at(-1)?.body).toMatchObject({ title: "As typed" });
    await user.click(press("Undo"));
    expect(await title("As saved")).toBeTruthy();
    expect(screen.getByText("sheet 1, not saved")).toBeTruthy();
    await user.click(press("Redo"));
    expect(await screen.findByText("sheet 1, saved")).toBeTruthy();
  });

  it("leaves nothing behind in the browser once it is saved", async () => {
    const { user } = show(<Writing />, { [`PUT ${PATH}`]: view("As typed", 5) });
    await user.click(press("Type"));
    await waitFor(() => expect(localStorage).toHaveLength(1));
    await user.click(press("Save"));
    await screen.findByText("sheet 1, saved");
    await waitFor(() => expect(localStorage).toHaveLength(0));
  });

  it("shows the newer state of somebody else, with mine one step back", async () => {
    const newer = "There is a newer state of this draft.";
    const { user } = show(<Writing />, {
      [`PUT ${PATH}`]: new Problem(409, newer),
      [`GET ${PATH}`]: view("Theirs", 7),
    });
    await user.click(press("Type"));
    await user.click(press("Save"));
    expect(await screen.findByText(newer)).toBeTruthy();
    await user.click(press("Theirs"));
    expect(await title("Theirs")).toBeTruthy();
    await user.click(press("Undo"));
    expect(await title("As typed")).toBeTruthy();
  });

  it("goes over to the newest sheet where it is a draft, and says so by being unsaved", async () => {
    show(<Writing sheetVersion={3} />);
    expect(await screen.findByText("sheet 3, not saved")).toBeTruthy();
  });

  it("stays with its sheet once it is approved", async () => {
    show(<Writing sheetVersion={3} state="APPROVED" />);
    expect(await screen.findByText("sheet 1, saved")).toBeTruthy();
  });
});

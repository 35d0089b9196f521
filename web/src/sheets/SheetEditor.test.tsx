import { screen, waitFor, within } from "@testing-library/react";
import { afterEach, describe, expect, it } from "vitest";
import { ILSE, MAREN, Problem, show } from "../testing/page";
import { words } from "../testing/words";
import SheetEditor from "./SheetEditor";
import { EMPTY, type Schema } from "./sheet";

const NAME: Schema = { type: "string", title: "Name", maxLength: 120 };
const SCHEMA: Schema = {
  type: "object",
  properties: {
    code: { type: "string", title: "Code", description: "For instance QK-SL1" },
    name: NAME,
    organic: { type: "boolean", title: "Organic" },
    roomTemperature: {
      type: "object",
      title: "Temperature of the room",
      properties: { value: { type: "number" }, unit: { type: "string", enum: ["°C", "°F"] } },
    },
    soils: { type: "array", title: "Soils", items: { type: "string" } },
    parts: {
      type: "array",
      items: {
        type: "object",
        properties: {
          id: { type: "string" },
          name: NAME,
          count: { type: "integer", title: "How many" },
          behind: { type: "array", title: "Behind", items: { type: "string" } },
          surfaces: {
            type: "array",
            items: {
              type: "object",
              properties: {
                id: { type: "string" },
                name: NAME,
                zone: { type: "integer", title: "Zone" },
                end: { type: "string", title: "Ends", enum: ["clean", "sanitized"] },
              },
            },
          },
        },
      },
    },
    energies: {
      type: "array",
      items: { type: "object", properties: { id: { type: "string" }, name: NAME } },
    },
  },
};

const SLICER = {
  ...EMPTY,
  code: "QK-SL1",
  name: "Slicer",
  version: 3,
  parts: [
    { id: "body", name: "Body", count: 1, surfaces: [{ id: "table", name: "Table", zone: 1, end: "clean" }] },
    { id: "blade", name: "Blade", count: 1, behind: ["guard"], surfaces: [] },
  ],
};
const FINE = { problems: [], effect: { approved: 3, lost: [] } };

const editor = (answers: object = {}, address = "/machines/QK-SL1/sheet") =>
  show(
    <SheetEditor />,
    {
      "GET /api/session": ILSE,
      "GET /api/schemas/sheet": SCHEMA,
      "GET /api/machines/QK-SL1/sheet": SLICER,
      "GET /api/chemicals": [],
      "POST /api/sheets/check": FINE,
      ...answers,
    },
    address,
    "/machines/:code/sheet",
  );

afterEach(() => localStorage.clear());

const fields = async () => within(await screen.findByRole("region", { name: "Fields" }));
const tree = () => within(screen.getByRole("navigation", { name: "Parts of the sheet" }));

describe("a machine's sheet", () => {
  it("is written by its fields, part by part, and signed as the next version", async () => {
    const { user, sent, router } = editor({ "PUT /api/machines/QK-SL1/sheet": { code: "QK-SL1" } });
    // A machine that is there keeps its code.
    expect((await fields()).queryByLabelText("Code")).toBeNull();
    await user.click(tree().getByRole("button", { name: "Blade" }));
    const many = (await fields()).getByLabelText("How many");
    await user.clear(many);
    await user.type(many, "2");
    const save = screen.getByRole("button", { name: "Sign and save…" });
    await waitFor(() => expect(save).toHaveProperty("disabled", false));
    await user.click(save);
    const dialog = within(screen.getByRole("dialog"));
    expect(await dialog.findByText("All 3 approved procedures say the same as before.")).toBeTruthy();
    await user.type(dialog.getByLabelText("PIN"), "471148");
    await user.click(dialog.getByRole("button", { name: "Sign and save" }));
    await waitFor(() => expect(router.state.location.pathname).toBe("/machines/QK-SL1"));
    const put = sent.find((s) => s.method === "PUT")?.body as { document: typeof SLICER };
    expect(put.document.parts[1]).toEqual({ ...SLICER.parts[1], count: 2 });
    await waitFor(() => expect(localStorage).toHaveLength(0));
  });

  it("is kept in this browser while it is written", async () => {
    const { user } = editor();
    const name = (await fields()).getByLabelText("Name");
    await user.type(name, ", hall 2");
    await waitFor(() => expect(localStorage).toHaveLength(1));
    document.body.innerHTML = "";
    editor();
    expect((await fields()).getByLabelText("Name")).toHaveProperty("value", "Slicer, hall 2");
    await user.click(screen.getByRole("button", { name: "Undo" }));
    expect((await fields()).getByLabelText("Name")).toHaveProperty("value", "Slicer");
  });

  it("says at which thing what is wrong, and leads there", async () => {
    const { user } = editor({
      "POST /api/sheets/check": {
        problems: [{ pointer: "/parts/0/surfaces/0/zone", message: "Zone is 1 to 4.", said: null }],
        effect: null,
      },
    });
    const check = within(await screen.findByRole("complementary", { name: "Check" }));
    await user.click(await check.findByRole("button", { name: "Table, zone" }));
    const zone = (await fields()).getByLabelText("Zone");
    expect(zone.getAttribute("aria-invalid")).toBe("true");
    expect(tree().getByRole("button", { name: /^Table\s*! has to be fixed/ })).toBeTruthy();
    expect(screen.getByRole("button", { name: "Sign and save…" })).toHaveProperty("disabled", true);
  });

  it("gets another surface by its name, with what every new one begins with", async () => {
    const { user, sent } = editor();
    await fields();
    await user.click(tree().getByRole("button", { name: "Body" }));
    await user.type(tree().getByLabelText("Name of a new surface"), "Table, underside");
    await user.click(tree().getAllByRole("button", { name: "Add" })[0]);
    expect((await fields()).getByLabelText("Name")).toHaveProperty("value", "Table, underside");
    await waitFor(() => {
      const asked = sent.at(-1)?.body as unknown as typeof SLICER;
      expect(asked.parts[0].surfaces.at(-1)).toMatchObject({
        id: "table-underside",
        zone: 1,
        end: "sanitized",
        frequency: "daily",
      });
    });
  });

  it("offers what the sheet has, and keeps a name that it has no more in sight", async () => {
    const { user } = editor();
    await fields();
    await user.click(tree().getByRole("button", { name: "Blade" }));
    const behind = (await fields()).getByText(/^Behind/).closest("details") as HTMLElement;
    expect(behind.textContent).toContain("guard (not on the sheet)");
    expect(within(behind).getByLabelText("Body")).toBeTruthy();
    await user.click(within(behind).getByLabelText("guard"));
    expect(behind.querySelector("summary")?.textContent).toBe("Behind: none");
  });

  it("has its figures with their units, and what is cleared is not stated", async () => {
    const { user, sent } = editor();
    const room = (await fields()).getByLabelText("Temperature of the room");
    await user.selectOptions((await fields()).getByLabelText("Unit of: Temperature of the room"), "°F");
    await user.clear(room);
    await waitFor(() => expect(sent.at(-1)?.body).not.toHaveProperty("roomTemperature"));
    await user.type(room, "41");
    await waitFor(() => expect(sent.at(-1)?.body).toMatchObject({ roomTemperature: { value: 41 } }));
    await user.type((await fields()).getByLabelText("Soils"), "fat{enter}starch");
    await waitFor(() => expect(sent.at(-1)?.body).toMatchObject({ soils: ["fat", "starch"] }));
  });

  it("of a new machine is a copy without a code, or an empty one", async () => {
    editor({}, "/machines/new/sheet?from=QK-SL1");
    expect(await screen.findByRole("heading", { name: "New machine" })).toBeTruthy();
    expect((await fields()).getByLabelText("Name")).toHaveProperty("value", "Slicer, copy");
    expect((await fields()).getByLabelText("Code")).toHaveProperty("value", "");
    document.body.innerHTML = "";
    editor({}, "/machines/new/sheet");
    expect((await fields()).getByLabelText("Name")).toHaveProperty("value", "");
    expect(tree().getByText("Parts (1)")).toBeTruthy();
  });

  it("says which approved procedures would no longer pass", async () => {
    editor({
      "POST /api/sheets/check": {
        problems: [],
        effect: {
          approved: 3,
          lost: [
            {
              id: "p",
              title: "Slicer, daily",
              because: ["C1 at step 4.", "C2 at step 5.", "C3.", "C4."].map(words),
            },
          ],
        },
      },
    });
    expect(await screen.findByText("1 approved procedure would no longer pass:")).toBeTruthy();
    expect(screen.getByText(/Slicer, daily: C1 at step 4\. C2 at step 5\./).textContent).toContain(
      "(and 2 more)",
    );
  });

  it("is nobody's but a supervisor's", async () => {
    editor({ "GET /api/session": MAREN });
    expect(await screen.findByText("Only a supervisor writes machine sheets.")).toBeTruthy();
  });

  it("that cannot be shown says why", async () => {
    editor({ "GET /api/machines/QK-SL1/sheet": new Problem(404, "There is no machine QK-SL1.") });
    expect(await screen.findByText(/There is no machine QK-SL1\./)).toBeTruthy();
  });
});

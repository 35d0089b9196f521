import { screen, waitFor, within } from "@testing-library/react";
import { describe, expect, it, vi } from "vitest";
import { PELM as DOC } from "../testing/chemical";
import { Problem, show } from "../testing/page";
import { words } from "../testing/words";
import { EditChemical } from "./EditChemical";
import { EditVessels } from "./EditVessels";

const SAME = { approved: 30, lost: [] };

function edit(id: string | null, answers: object = {}) {
  const done = vi.fn();
  const page = show(<EditChemical id={id} onClose={vi.fn()} onSaved={done} />, {
    "GET /api/chemicals/pelm-9": DOC,
    "POST /api/chemicals/effect": SAME,
    ...answers,
  });
  return { ...page, done };
}

describe("a label", () => {
  it("cannot be signed before something of it is another", async () => {
    const { user, sent } = edit("pelm-9");
    const dialog = within(await screen.findByRole("dialog", { name: "Pelm 9" }));
    await user.type(dialog.getByLabelText("PIN"), "471148");
    expect(dialog.getByRole("button", { name: "Sign and save" })).toHaveProperty("disabled", true);
    expect(dialog.getByText("Change something to see what it does.")).toBeTruthy();
    expect(sent).toEqual([]);
  });

  it("shows what another figure does before it is signed, and is stored as typed", async () => {
    const { user, sent, done } = edit("pelm-9", {
      "POST /api/chemicals/effect": {
        approved: 30,
        lost: [
          {
            id: "p",
            title: "Slicer, daily",
            because: ["150 mg/L is under the label's 250 mg/L."].map(words),
          },
        ],
      },
      "PUT /api/chemicals/pelm-9": [DOC],
    });
    const least = await screen.findByLabelText("Use-dilution, least");
    await user.clear(least);
    await user.type(least, "250 mg/L");
    expect(await screen.findByText("150 mg/L is under the label's 250 mg/L.")).toBeTruthy();
    expect(screen.getByText("1 of 30 approved procedures no longer pass:")).toBeTruthy();
    await user.type(screen.getByLabelText("PIN"), "471148");
    await user.click(screen.getByRole("button", { name: "Sign and save" }));
    await waitFor(() => expect(done).toHaveBeenCalledOnce());
    const put = sent.find((s) => s.method === "PUT")?.body as { document: string; pin: string };
    expect(put.pin).toBe("471148");
    expect(JSON.parse(put.document)).toEqual({
      ...DOC,
      label: { ...DOC.label, least: { value: 250, unit: "mg/L" } },
    });
  });

  it("marks the field that the server cannot read", async () => {
    const { user } = edit("pelm-9", {
      "POST /api/chemicals/effect": new Problem(400, "", [
        { pointer: "/label/contact", message: "This is a time, for instance 60 s." },
      ]),
    });
    const contact = await screen.findByLabelText("Contact time (wet) or dwell");
    await user.clear(contact);
    await user.type(contact, "a while");
    await waitFor(() => expect(contact.getAttribute("aria-invalid")).toBe("true"));
    expect(screen.getAllByText("This is a time, for instance 60 s.").length).toBeGreaterThan(0);
  });

  it("of a new product begins empty: nothing counts that nobody has copied", async () => {
    const { user, sent } = edit(null);
    const dialog = within(await screen.findByRole("dialog", { name: "A new product" }));
    expect(dialog.getByLabelText("Use-dilution, least")).toHaveProperty("value", "");
    await user.type(dialog.getByLabelText("Name on the label"), "Karstol 2");
    await waitFor(() => {
      const asked = JSON.parse((sent.at(-1)?.body as { document: string } | undefined)?.document ?? "{}");
      expect(asked).toMatchObject({ id: "karstol-2", name: "Karstol 2" });
      expect(asked.label).not.toHaveProperty("least");
      expect(asked.label).not.toHaveProperty("contact");
    });
  });

  it("that is gone says so", async () => {
    edit("pelm-9", { "GET /api/chemicals/pelm-9": new Problem(404, "There is no such product.") });
    expect(await screen.findByText("There is no such product.")).toBeTruthy();
  });
});

const SINKS = [
  { id: "sink-1", name: "sink 1", kind: "sink", brim: { value: 60, unit: "L" } },
  { id: "bucket-1", name: "bucket 1", kind: "bucket", brim: { value: 10, unit: "L" }, washer: undefined },
];

function vessels(answers: object = {}) {
  const done = vi.fn();
  const page = show(<EditVessels onClose={vi.fn()} onSaved={done} />, {
    "GET /api/vessels": SINKS,
    "POST /api/vessels/effect": SAME,
    ...answers,
  });
  return { ...page, done };
}

describe("sinks and buckets", () => {
  it("keep their ids under another name, and a new one gets its own", async () => {
    const { user, sent, done } = vessels({ "PUT /api/vessels": {} });
    const name = await screen.findByLabelText("Name of vessel 1");
    await user.clear(name);
    await user.type(name, "pot sink");
    await user.click(screen.getByRole("button", { name: "Add one" }));
    await user.type(screen.getByLabelText("Name of vessel 3"), "foam can 2");
    await user.selectOptions(screen.getByLabelText("What vessel 3 is"), "sprayer");
    const brim = screen.getByLabelText("What vessel 3 holds to the brim");
    await user.clear(brim);
    await user.type(brim, "8 L");
    await user.type(screen.getByLabelText("PIN"), "471148");
    await user.click(screen.getByRole("button", { name: "Sign and save" }));
    await waitFor(() => expect(done).toHaveBeenCalledOnce());
    const put = sent.find((s) => s.method === "PUT")?.body as { document: string };
    expect(JSON.parse(put.document)).toEqual([
      { ...SINKS[0], name: "pot sink" },
      SINKS[1],
      { id: "foam-can-2", name: "foam can 2", kind: "sprayer", brim: { value: 8, unit: "L" } },
    ]);
  });

  it("say which procedures lose theirs when one is taken off", async () => {
    const { user } = vessels({
      "POST /api/vessels/effect": {
        approved: 30,
        lost: [{ id: "p", title: "Grinder, daily", because: ["This site has no sink 1."].map(words) }],
      },
    });
    await user.click(await screen.findByRole("button", { name: "Take off sink 1" }));
    expect(await screen.findByText("This site has no sink 1.")).toBeTruthy();
    expect(screen.queryByLabelText("Name of vessel 2")).toBeNull();
  });

  it("have what is no volume marked in its row", async () => {
    const { user } = vessels({
      "POST /api/vessels/effect": new Problem(400, "", [
        { pointer: "/vessels/1/brim", message: "This is a volume, for instance 10 L." },
      ]),
    });
    const brim = await screen.findByLabelText("What vessel 2 holds to the brim");
    await user.clear(brim);
    await user.type(brim, "full");
    await waitFor(() => expect(brim.getAttribute("aria-invalid")).toBe("true"));
    expect(screen.getByLabelText("What vessel 1 holds to the brim").getAttribute("aria-invalid")).not.toBe(
      "true",
    );
  });
});

import { screen, waitFor } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { ILSE, Problem, show } from "../testing/page";
import { SITE_FILE } from "../testing/site";
import { words } from "../testing/words";
import { SiteForm } from "./SiteForm";

function form(answers: object = {}) {
  return show(<SiteForm />, {
    "GET /api/session": ILSE,
    "GET /api/site/file": SITE_FILE,
    "POST /api/site/effect": { approved: 30, lost: [] },
    "PUT /api/site": {},
    ...answers,
  });
}

describe("the site and its water", () => {
  it("shows what other water does to the approved procedures before anything is signed", async () => {
    const { sent, user } = form({
      "POST /api/site/effect": {
        approved: 30,
        lost: [{ id: "sl1", title: "Slicer, daily", because: [words("quat is weaker in hard water")] }],
      },
    });
    const hardness = await screen.findByLabelText(/hardness/i);
    await user.clear(hardness);
    await user.type(hardness, "620");
    await user.click(screen.getByRole("button", { name: /sign/i }));
    expect(await screen.findByText("1 of 30 approved procedures no longer pass:")).toBeTruthy();
    expect(screen.getByText("Quat is weaker in hard water")).toBeTruthy();
    const asked = JSON.parse((sent[0].body as { document: string }).document);
    expect(asked.mains.hardness).toEqual({ value: 620, unit: "mg/L" });
    // Ways that the file does not have yet are the common ones, and are sent with it.
    expect(asked.ways).toMatchObject({ language: "en", keepYears: 2, secondPersonFrom: "end-of-shift" });
    expect(sent.some((s) => s.method === "PUT")).toBe(false);
  });

  it("is stored with a PIN, once", async () => {
    const { sent, user } = form();
    const town = await screen.findByLabelText("Town");
    await user.type(town, " East");
    await user.click(screen.getByRole("button", { name: /sign/i }));
    expect(await screen.findByText("All 30 approved procedures say the same as before.")).toBeTruthy();
    await user.type(screen.getByLabelText(/PIN/), "471148");
    await user.click(screen.getByRole("button", { name: "Sign and save" }));
    await waitFor(() => expect(sent.filter((s) => s.method === "PUT")).toHaveLength(1));
    const put = sent.find((s) => s.method === "PUT")?.body as { document: string; pin: string };
    expect(put.pin).toBe("471148");
    expect(JSON.parse(put.document).town).toBe("Tarn Ferry East");
  });

  it("says at the field what the server does not take", async () => {
    const { user } = form({
      "POST /api/site/effect": new Problem(422, "It is wrong.", [
        { pointer: "/mains/ph", message: "pH is 5 to 10." },
      ]),
    });
    const ph = await screen.findByLabelText("pH");
    await user.clear(ph);
    await user.type(ph, "14");
    await user.click(screen.getByRole("button", { name: /sign/i }));
    expect((await screen.findAllByText("pH is 5 to 10.")).length).toBeGreaterThan(0);
    expect(ph.getAttribute("aria-invalid")).toBe("true");
  });

  it("says why it cannot be read", async () => {
    form({ "GET /api/site/file": new Problem(403, "Only a supervisor reads it.") });
    expect(await screen.findByText(/Only a supervisor reads it/)).toBeTruthy();
  });
});

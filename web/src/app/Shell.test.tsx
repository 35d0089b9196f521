import { screen, waitFor } from "@testing-library/react";
import { afterEach, describe, expect, it } from "vitest";
import { set } from "../shared/settings";
import { ILSE, MAREN, NO_SIGNAL, show, siteWith } from "../testing/page";
import { Shell } from "./Shell";

const LANGUAGES = [{ code: "es", name: "Español" }];

const shell = (answers: object = {}) =>
  show(<Shell />, {
    "GET /api/session": ILSE,
    "GET /api/languages": LANGUAGES,
    "GET /api/board": [],
    "GET /api/machines": [],
    "GET /api/procedures": [],
    ...answers,
  });

afterEach(() => {
  set({ language: "" });
  localStorage.clear();
});

describe("the bar of the desk", () => {
  it("leads to every place, and to the people for whoever makes them", async () => {
    shell();
    expect(await screen.findByRole("link", { name: "People" })).toBeTruthy();
    const places = screen.getByRole("navigation", { name: "Places" });
    expect([...places.querySelectorAll("a")].map((a) => a.textContent)).toEqual([
      "Tonight",
      "Machines and procedures",
      "Due",
      "Mixing",
      "Floor",
      "Board",
      "Logbook",
      "Chemicals",
      "Rule book",
      "People",
    ]);
  });

  it("does not lead the crew to the people", async () => {
    shell({ "GET /api/session": MAREN });
    expect(await screen.findByRole("link", { name: "Maren Oyelaran" })).toBeTruthy();
    expect(screen.queryByRole("link", { name: "People" })).toBeNull();
  });

  it("says so where somebody is still signed in", async () => {
    const { user } = shell({ "DELETE /api/session": NO_SIGNAL });
    await user.click(await screen.findByRole("button", { name: "Sign out" }));
    expect((await screen.findByRole("alert")).textContent).toMatch(
      /You are still signed in\. The server cannot be reached/,
    );
  });
});

describe("the language of this device", () => {
  it("is the site's until somebody chooses", async () => {
    shell({ "GET /api/site": siteWith({ language: "es" }) });
    const choice = (await screen.findByLabelText("Language")) as HTMLSelectElement;
    await waitFor(() => expect(choice.value).toBe("es"));
  });

  it("is kept on the device once it is chosen", async () => {
    const { user } = shell();
    const choice = (await screen.findByLabelText("Language")) as HTMLSelectElement;
    expect([...choice.options].map((o) => o.textContent)).toEqual(["EN – English", "ES – Español"]);
    await user.selectOptions(choice, "es");
    expect(choice.value).toBe("es");
    expect(localStorage.getItem("floor-settings")).toContain('"language":"es"');
  });

  it("is not asked where there is only one", async () => {
    shell({ "GET /api/languages": [] });
    await screen.findByRole("link", { name: "Board" });
    expect(screen.queryByLabelText("Language")).toBeNull();
  });
});

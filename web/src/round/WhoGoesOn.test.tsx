import { screen, waitFor } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { recall } from "../shared/kept";
import { NO_SIGNAL, Problem, show } from "../testing/page";
import { Who } from "./WhoGoesOn";

const PELL = { account: 5, name: "Pell Okonjo", role: "CREW" };
const HERE = { name: "Wash-up", people: [{ account: 2, name: "Maren Oyelaran", role: "CREW" }, PELL] };

async function open(answers: Record<string, unknown>) {
  const page = show(<Who />, answers);
  await page.user.click(await screen.findByRole("button", { name: /Maren Oyelaran/ }));
  return page;
}

const digits = async (user: { click: (e: Element) => Promise<void> }, pin: string) => {
  for (const d of pin) {
    await user.click(screen.getByRole("button", { name: d }));
  }
};

describe("who goes on at a tablet", () => {
  it("is chosen by name and proven by PIN, and stays so without signal", async () => {
    const { user, sent } = await open({
      "GET /api/tablets/this": HERE,
      "POST /api/tablets/session": { name: "Pell Okonjo", role: "CREW", person: "5" },
    });
    await user.click(await screen.findByRole("button", { name: /Pell Okonjo/ }));
    await digits(user, "614");
    expect(screen.getByRole("button", { name: "OK" })).toHaveProperty("disabled", true);
    await digits(user, "2");
    await user.click(screen.getByRole("button", { name: "OK" }));
    await screen.findByRole("button", { name: /^Pell Okonjo: change user/ });
    expect(sent[0].body).toEqual({ account: 5, pin: "6142" });
    expect(await recall("session")).toMatchObject({ name: "Pell Okonjo" });
    expect(JSON.stringify(localStorage)).not.toContain("6142");
  });

  it("stays who it was when the PIN is wrong, and forgets the digits", async () => {
    const { user } = await open({
      "GET /api/tablets/this": HERE,
      "POST /api/tablets/session": new Problem(401, "The PIN is wrong. 4 tries left."),
    });
    await user.click(await screen.findByRole("button", { name: /Pell Okonjo/ }));
    await user.keyboard("0000{Enter}");
    expect((await screen.findByRole("alert")).textContent).toMatch(/4 tries left/);
    expect(screen.getByLabelText("0 digits entered")).toBeTruthy();
    expect(await recall("session")).toMatchObject({ name: "Maren Oyelaran" });
  });

  it("takes a connection, and says so", async () => {
    await open({ "GET /api/tablets/this": NO_SIGNAL });
    expect((await screen.findByRole("alert", {}, { timeout: 4000 })).textContent).toMatch(
      /takes a connection/,
    );
  });

  it("is enrolled by a code of six digits first", async () => {
    const { user, sent } = await open({
      "GET /api/tablets/this": { people: [] },
      "POST /api/tablets/enrol": HERE,
    });
    await screen.findByText(/not one of the site’s yet/);
    await digits(user, "48392");
    await user.click(screen.getByRole("button", { name: "OK" }));
    expect(sent.length).toBe(0);
    await digits(user, "0");
    await user.click(screen.getByRole("button", { name: "OK" }));
    await screen.findByRole("button", { name: /Pell Okonjo/ });
    expect(sent[0].body).toEqual({ code: "483920" });
  });

  it("says that a code is none", async () => {
    const { user } = await open({
      "GET /api/tablets/this": { people: [] },
      "POST /api/tablets/enrol": new Problem(401, "This code enrols no tablet."),
    });
    await screen.findByText(/not one of the site’s yet/);
    await user.keyboard("111111{Enter}");
    await waitFor(() => expect(screen.getByRole("alert").textContent).toMatch(/enrols no tablet/));
  });
});

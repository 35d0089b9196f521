import { fireEvent, screen, waitFor } from "@testing-library/react";
import { afterEach, describe, expect, it } from "vitest";
import { Problem, show } from "../testing/page";
import { SITE_FILE } from "../testing/site";
import Begin from "./Begin";
import Trust from "./Trust";

const begin = (answers: Record<string, unknown>) => {
  window.location.hash = "#4f1c";
  return show(<Begin />, answers, "/begin");
};

afterEach(() => {
  window.location.hash = "";
});

/** In one go: with all time zones of the world on the page each letter would cost. */
async function fill() {
  await screen.findByLabelText(/Name of the site/);
  const put = (label: RegExp, value: string) =>
    fireEvent.change(screen.getByLabelText(label), { target: { value } });
  put(/Name of the site/, "Quillmere Kitchens");
  put(/Your name/, "Ilse Varga");
  put(/^Password/, "quillmere-ilse");
  put(/^PIN/, "471148");
  put(/Town/, "Tarn Ferry");
  put(/Time zone/, "Europe/London");
  put(/City water temperature/, "12");
  put(/Hardness/, "310");
  put(/^pH/, "7.6");
}

describe("the first start", () => {
  it("makes the site and its supervisor by the token of the link", async () => {
    const { user, sent, router } = begin({
      "GET /api/begin": { open: true, site: true },
      "POST /api/begin": {},
    });
    await fill();
    await user.click(screen.getByRole("button", { name: "Begin" }));
    await waitFor(() => expect(router.state.location.pathname).toBe("/sign-in"));
    expect(sent).toEqual([
      {
        method: "POST",
        path: "/api/begin",
        body: {
          token: "4f1c",
          name: "Ilse Varga",
          password: "quillmere-ilse",
          pin: "471148",
          site: SITE_FILE,
        },
      },
    ]);
  });

  it("asks only for the person where the site is there", async () => {
    const { user, sent } = begin({ "GET /api/begin": { open: true, site: false }, "POST /api/begin": {} });
    expect(await screen.findByRole("heading", { name: "A supervisor for this site" })).toBeTruthy();
    expect(screen.queryByLabelText(/Hardness/)).toBeNull();
    await user.type(screen.getByLabelText(/Your name/), "Ilse Varga");
    await user.type(screen.getByLabelText(/^Password/), "quillmere-ilse");
    await user.type(screen.getByLabelText(/^PIN/), "471148");
    await user.click(screen.getByRole("button", { name: "Begin" }));
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0].body).not.toHaveProperty("site");
  });

  it("marks the field that is wrong and says that nothing was made", async () => {
    const { user, router } = begin({
      "GET /api/begin": { open: true, site: true },
      "POST /api/begin": new Problem(400, "", [
        { pointer: "/mains/hardness/value", message: "Hardness is 0 to 2000 mg/L." },
      ]),
    });
    await fill();
    await user.click(screen.getByRole("button", { name: "Begin" }));
    expect((await screen.findByRole("alert")).textContent).toMatch(/^Nothing was made yet/);
    expect(screen.getByText("Hardness is 0 to 2000 mg/L.")).toBeTruthy();
    expect(screen.getByLabelText(/Name of the site/)).toHaveProperty("value", "Quillmere Kitchens");
    expect(router.state.location.pathname).toBe("/begin");
  });

  it("says what else is wrong in a sentence", async () => {
    const { user } = begin({
      "GET /api/begin": { open: true, site: true },
      "POST /api/begin": new Problem(403, "This link is another one's."),
    });
    await fill();
    await user.click(screen.getByRole("button", { name: "Begin" }));
    expect((await screen.findByRole("alert")).textContent).toBe("This link is another one's.");
  });

  it("is good for once: a used link leads to the next one", async () => {
    begin({ "GET /api/begin": { open: false, site: false } });
    expect(await screen.findByRole("heading", { name: "This link was used" })).toBeTruthy();
    expect(screen.getByText("./orthopur start --recover")).toBeTruthy();
    expect(screen.getByRole("link", { name: "Sign in" }).getAttribute("href")).toBe("/sign-in");
  });
});

describe("a tablet that is to trust the server", () => {
  it("gets the file and the fingerprint to compare", async () => {
    show(<Trust />, {
      "GET /api/certificate": { fingerprint: "9C:41:7E", until: "2027-11-30T00:00:00Z" },
    });
    expect(await screen.findByText("9C:41:7E")).toBeTruthy();
    const file = screen.getByRole("link", { name: "Download the certificate" });
    expect(file.getAttribute("href")).toBe("/api/certificate/file");
    expect(screen.getByText(/If they differ, stop and call the administrator\./)).toBeTruthy();
    expect(screen.getByText("It holds until 2027-11-30.")).toBeTruthy();
  });

  it("has nothing to do where the server has no certificate of its own", async () => {
    show(<Trust />, { "GET /api/certificate": { fingerprint: null, until: null } });
    expect(await screen.findByText(/This server has no certificate of its own/)).toBeTruthy();
    expect(screen.queryByRole("link", { name: "Download the certificate" })).toBeNull();
  });

  it("says why it cannot be shown", async () => {
    show(<Trust />, { "GET /api/certificate": new Problem(500, "The file cannot be read.") });
    expect((await screen.findByRole("alert")).textContent).toBe("The file cannot be read.");
  });
});

import { screen, waitFor, within } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { ILSE, Problem, show } from "../testing/page";
import { SITE_FILE } from "../testing/site";
import { words } from "../testing/words";
import People from "./People";

const ROW = { left: false, trainedOn: [], adultFrom: null, sameAs: null };
const PEOPLE = [
  { ...ROW, id: "1", name: "Ilse Varga", role: "SUPERVISOR" },
  { ...ROW, id: "2", name: "Maren Oyelaran", role: "CREW", trainedOn: ["QK-SL1", "QK-SW1"] },
  { ...ROW, id: "3", name: "Dagny Sollis", role: "CREW", adultFrom: "2027-03-02", sameAs: "Dagny S." },
  { ...ROW, id: "4", name: "Pell Okonjo", role: "CREW", left: true },
];
const MACHINES = [
  { code: "QK-SL1", name: "Slicer" },
  { code: "QK-OV2", name: "Cabinet oven" },
];

const people = (answers: object = {}, address = "/") =>
  show(
    <People />,
    {
      "GET /api/session": ILSE,
      "GET /api/people": PEOPLE,
      "GET /api/machines": MACHINES,
      "GET /api/supplies/changes": [],
      "GET /api/tablets": [],
      "GET /api/site/file": new Problem(404, "No file here."),
      ...answers,
    },
    address,
  );

const row = async (name: string) =>
  within((await screen.findByRole("rowheader", { name })).closest("tr") as HTMLElement);

describe("the people of a site", () => {
  it("are listed with what they may do, and what holds only for some", async () => {
    people();
    expect((await row("Ilse Varga")).getByText("answers for all")).toBeTruthy();
    expect((await row("Maren Oyelaran")).getByText("QK-SL1, QK-SW1")).toBeTruthy();
    const young = await row("Dagny Sollis");
    expect(young.getByText("under 18 until 2027-03-02")).toBeTruthy();
    expect(young.getByText("active, second account of Dagny S.")).toBeTruthy();
    expect((await row("Pell Okonjo")).getByText("left")).toBeTruthy();
  });

  it("says so where they cannot be shown, and asks again", async () => {
    let asked = 0;
    const { user } = people({
      "GET /api/people": () => (asked++ === 0 ? new Problem(500, "The disk is full.") : PEOPLE),
    });
    expect(await screen.findByText(/The disk is full\./)).toBeTruthy();
    await user.click(screen.getByRole("button", { name: /again/i }));
    expect(await screen.findByRole("rowheader", { name: "Ilse Varga" })).toBeTruthy();
  });

  it("makes an account that has no PIN yet, signed by whoever makes it", async () => {
    const { user, sent } = people({ "POST /api/people": PEOPLE[1] });
    await user.click(await screen.findByRole("button", { name: "New person…" }));
    const dialog = within(screen.getByRole("dialog"));
    expect(dialog.getByText(/They choose their PIN themselves/)).toBeTruthy();
    expect(dialog.queryByLabelText(/Left/)).toBeNull();
    await user.type(dialog.getByLabelText(/^Name/), "Tobiah Renn");
    await user.click(await dialog.findByLabelText("QK-OV2 Cabinet oven"));
    await user.type(dialog.getByLabelText("Password"), "a long enough one");
    await user.type(dialog.getByLabelText(/Your own PIN/), "471148");
    await user.click(dialog.getByRole("button", { name: "Sign and save" }));
    await waitFor(() => expect(screen.queryByRole("dialog")).toBeNull());
    expect(sent).toEqual([
      {
        method: "POST",
        path: "/api/people",
        body: {
          name: "Tobiah Renn",
          role: "CREW",
          password: "a long enough one",
          trainedOn: ["QK-OV2"],
          signature: "471148",
        },
      },
    ]);
  });

  it("voids a PIN and keeps the password where none is typed", async () => {
    const { user, sent } = people({ "PUT /api/people/2": PEOPLE[1] }, "/?person=2");
    const dialog = within(await screen.findByRole("dialog", { name: "Maren Oyelaran" }));
    await user.click(dialog.getByLabelText(/The PIN is void/));
    await user.type(dialog.getByLabelText(/Your own PIN/), "471148");
    await user.click(dialog.getByRole("button", { name: "Sign and save" }));
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0].body).toMatchObject({ newPin: true, left: false, trainedOn: ["QK-SL1", "QK-SW1"] });
    expect(sent[0].body).not.toHaveProperty("password");
  });

  it("keeps what was typed where the PIN was wrong, and takes the PIN away", async () => {
    const { user } = people({ "PUT /api/people/2": new Problem(401, "This is not your PIN.") }, "/?person=2");
    const dialog = within(await screen.findByRole("dialog"));
    await user.type(dialog.getByLabelText(/^Name/), " Oye");
    await user.type(dialog.getByLabelText(/Your own PIN/), "111111");
    await user.click(dialog.getByRole("button", { name: "Sign and save" }));
    expect((await dialog.findByRole("alert")).textContent).toContain("This is not your PIN.");
    expect(dialog.getByLabelText(/^Name/)).toHaveProperty("value", "Maren Oyelaran Oye");
    expect(dialog.getByLabelText(/Your own PIN/)).toHaveProperty("value", "");
  });

  it("names the field that the server refuses", async () => {
    const { user } = people(
      {
        "PUT /api/people/3": new Problem(400, "", [
          { pointer: "/adultFrom", message: "This is a date; 2027-13-02 is none." },
        ]),
      },
      "/?person=3",
    );
    const dialog = within(await screen.findByRole("dialog"));
    await user.type(dialog.getByLabelText(/Your own PIN/), "471148");
    await user.click(dialog.getByRole("button", { name: "Sign and save" }));
    expect((await dialog.findByRole("alert")).textContent).toContain("/adultFrom This is a date");
    expect(dialog.getByLabelText(/Your own PIN/)).toHaveProperty("value", "471148");
  });
});

const TABLET = { id: "t1", name: "Dish room", enrolledAt: 1793606000000, enrolledBy: "Ilse Varga" };

describe("the tablets of a site", () => {
  it("are none at first, and what one is for stands there", async () => {
    people();
    expect(await screen.findByText(/None yet\. On an enrolled tablet people change over/)).toBeTruthy();
  });

  it("are enrolled by a code that is shown once, in two halves", async () => {
    const { user, sent } = people({
      "POST /api/tablets/codes": { code: "402916", until: 1793606600000 },
    });
    await user.click(await screen.findByRole("button", { name: "Enroll a tablet…" }));
    const sign = screen.getByRole("button", { name: "Sign and show the code" });
    expect(sign).toHaveProperty("disabled", true);
    await user.type(screen.getByLabelText(/What it is called/), "  Saw room ");
    await user.type(within(screen.getByRole("dialog")).getByLabelText(/PIN/), "471148");
    await user.click(sign);
    expect(await screen.findByText("402 916")).toBeTruthy();
    expect(screen.getByRole("dialog", { name: "A code for Saw room" })).toBeTruthy();
    expect(sent.at(-1)?.body).toEqual({ name: "Saw room", signature: "471148" });
    await user.click(screen.getByRole("button", { name: "Done" }));
    expect(screen.queryByText("402 916")).toBeNull();
  });

  it("are withdrawn by their own name, and say what is kept on them", async () => {
    const { user, sent } = people({ "GET /api/tablets": [TABLET], "DELETE /api/tablets/t1": {} });
    await user.click(await screen.findByRole("button", { name: "Withdraw Dish room" }));
    const dialog = within(screen.getByRole("dialog"));
    expect(dialog.getByText(/What it still keeps without signal is sent/)).toBeTruthy();
    await user.type(dialog.getByLabelText(/PIN/), "471148");
    await user.click(dialog.getByRole("button", { name: "Sign and withdraw" }));
    await waitFor(() => expect(screen.queryByRole("dialog")).toBeNull());
    expect(sent.at(-1)).toMatchObject({ method: "DELETE", path: "/api/tablets/t1" });
  });
});

describe("the site and its water", () => {
  it("is signed only once something of it is another, with what that does in sight", async () => {
    const { user, sent } = people({
      "GET /api/site/file": SITE_FILE,
      "POST /api/site/effect": {
        approved: 30,
        lost: [
          { id: "qk-sl1-daily", title: "Slicer, daily", because: ["Too weak in harder water."].map(words) },
        ],
      },
      "PUT /api/site": {},
    });
    const hard = await screen.findByLabelText(/Its hardness, mg\/L/);
    const save = screen.getByRole("button", { name: "Sign and save…" });
    expect(save).toHaveProperty("disabled", true);
    await user.clear(hard);
    await user.type(hard, "620");
    await user.click(save);
    expect(await screen.findByText(/Too weak in harder water\./)).toBeTruthy();
    const dialog = within(screen.getByRole("dialog", { name: "Change the site" }));
    await user.type(dialog.getByLabelText(/PIN/), "471148");
    await user.click(dialog.getByRole("button", { name: "Sign and save" }));
    await waitFor(() => expect(screen.queryByRole("dialog")).toBeNull());
    const body = sent.find((s) => s.method === "PUT")?.body as { document: string; pin: string };
    expect(JSON.parse(body.document).mains.hardness).toEqual({ value: 620, unit: "mg/L" });
    // What the site never said is what most sites do.
    expect(JSON.parse(body.document).ways).toMatchObject({ regime: "retail", keepYears: 2 });
  });

  it("puts what is wrong at its field", async () => {
    const { user } = people({
      "GET /api/site/file": SITE_FILE,
      "POST /api/site/effect": new Problem(400, "", [
        { pointer: "/mains/ph/value", message: "pH is 0 to 14." },
      ]),
    });
    const ph = await screen.findByLabelText("pH");
    await user.clear(ph);
    await user.type(ph, "76");
    await user.click(screen.getByRole("button", { name: "Sign and save…" }));
    expect(await screen.findAllByText(/pH is 0 to 14\./)).not.toHaveLength(0);
  });
});

describe("the whole site in one file", () => {
  it("is taken in by a signature, and says what came", async () => {
    const { user } = people({ "POST /api/archive": { sheets: 1, procedures: 3 } });
    const file = new File(["zip"], "site.zip", { type: "application/zip" });
    await user.upload(await screen.findByLabelText("Archive of a site"), file);
    const dialog = within(await screen.findByRole("dialog", { name: "Bring in site.zip" }));
    expect(dialog.getByText(/or nothing is taken in/)).toBeTruthy();
    await user.type(dialog.getByLabelText(/PIN/), "471148");
    await user.click(dialog.getByRole("button", { name: "Sign and import" }));
    expect((await screen.findByRole("status")).textContent).toContain(
      "Taken in: 1 sheet, and 3 procedures as drafts.",
    );
  });
});

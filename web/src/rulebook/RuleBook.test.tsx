import { screen, within } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import table from "../testing/actions.json";
import { ILSE, MAREN, show } from "../testing/page";
import { BLADE_SHEET } from "../testing/site";
import RuleBook from "./RuleBook";

const english = (words: string) => ({ id: "", english: words, args: [] });

const figure = (id: string, value: number, unit: string, more: object = {}) => ({
  id,
  title: id,
  value,
  shipped: value,
  unit,
  source: "the code",
  cited: { plant: english("the plant's code") },
  lowerIsStricter: false,
  set: false,
  override: false,
  ...more,
});

const rows = [25, 50, 100].flatMap((from, i) => [
  figure(`chlorine.row-${i + 1}.least-strength`, from, "mg/L"),
  figure(`chlorine.row-${i + 1}.least-temperature.ph-8`, [49, 24, 13][i], "°C"),
  figure(`chlorine.row-${i + 1}.least-temperature.ph-10`, [49, 38, 13][i], "°C"),
]);

const BOOK = {
  version: "public-codes-1",
  figures: [
    ...rows,
    figure("chlorine.ceiling", 200, "mg/L"),
    figure("clock.hours", 4, "h"),
    figure("touch.limit", 49, "°C", { set: true, source: "this site: gloves are thin" }),
    figure("lift.load-constant", 25, "kg", { override: true }),
  ],
  rules: [
    {
      id: "L3",
      severity: "STOP",
      title: "Made safe",
      source: "the code",
      cited: english("the code"),
      follows: [],
    },
    {
      id: "S1",
      severity: "STOP",
      title: "Strong enough",
      source: "the code",
      cited: english("the code"),
      follows: [],
    },
  ],
  changes: [],
};

const page = (who: object, address = "/rulebook") =>
  show(
    <RuleBook />,
    {
      "GET /api/session": who,
      "GET /api/rulebook": BOOK,
      "GET /api/chemicals": [
        { id: "halvern-h12", name: "Halvern H12", kind: "chlorine", least: "50 mg/L", most: "200 mg/L" },
      ],
    },
    address,
  );

describe("the rule book", () => {
  it("draws where a sanitizer counts, with the labels of the site, and each figure can be set there", async () => {
    page(ILSE);
    const map = await screen.findByRole("img", { name: /^Chlorine: from 25 mg\/L on at 49 °C or warmer/ });
    expect(await within(map).findByText("Halvern H12")).toBeTruthy();
    expect(
      await screen.findByRole("button", { name: "Change chlorine.row-2.least-temperature.ph-10, now 38 °C" }),
    ).toBeTruthy();
    const others = screen.getByRole("button", { name: /^Change touch.limit/ }).closest("ul") as HTMLElement;
    expect(within(others).queryByText("clock.hours")).toBeNull();
    expect(within(others).getByText("asks for less than the code")).toBeTruthy();
  });

  it("groups the rules by what they are about, and lets the crew change nothing", async () => {
    page(MAREN);
    expect(await screen.findByRole("region", { name: "making safe" })).toBeTruthy();
    expect(screen.getByRole("region", { name: "chemistry and heat" }).textContent).toContain("Strong enough");
    expect(screen.queryByRole("button", { name: /^Change / })).toBeNull();
  });

  it("lists what is looked for, with its source", async () => {
    page(ILSE, "/rulebook?find=touch");
    expect(await screen.findByText("this site: gloves are thin")).toBeTruthy();
    expect(screen.queryByRole("img", { name: /^Chlorine/ })).toBeNull();
  });

  it("shows two examples, what differs and the threads that matter", async () => {
    const sanitizer = (value: number) => ({
      id: "s13",
      action: "sanitize",
      items: ["blade"],
      chemical: "h12",
      strength: { value, unit: "mg/L" },
    });
    const side = (value: number, finding?: object) => ({
      procedure: "Slicer, end of shift",
      finding,
      first: 12,
      steps: [
        { step: { id: "s12", action: "rinse", items: ["blade"] }, differs: false },
        { step: sanitizer(value), differs: true },
      ],
      ribbon: {
        energies: [],
        steps: [],
        surfaces: [
          {
            name: "Blade",
            due: true,
            surfaces: [{ id: "blade", name: "Blade", part: "blade" }],
            spans: [{ from: 0, stage: "SOILED", off: false, covered: false }],
            marks: [
              { step: 2, kind: "wash", granted: true },
              { step: 13, kind: "sanitize", granted: false },
            ],
          },
        ],
      },
    });
    const { user } = show(
      <RuleBook />,
      {
        "GET /api/session": ILSE,
        "GET /api/rulebook": BOOK,
        "GET /api/chemicals": [{ id: "h12", name: "Halvern H12" }],
        "GET /api/actions": table,
        "GET /api/machines/QK-SL1": BLADE_SHEET,
        "POST /api/rulebook/rules/S1/examples": {
          rule: "S1",
          machine: "QK-SL1",
          figures: [],
          slip: [{ kind: "changed", was: 13, is: 13 }],
          broken: side(40, {
            rule: "S1",
            step: 13,
            said: { id: "x", english: "Too weak.", args: [] },
            why: { id: "y", english: "It kills nothing.", args: [] },
          }),
          kept: side(110),
        },
      },
      "/rulebook?find=Strong",
    );
    await user.click(await screen.findByRole("button", { name: /Two examples/ }));
    const wrong = (await screen.findByText(/40 mg\/L/)).closest("li") as HTMLElement;
    expect(wrong.className).toContain("lit");
    expect(wrong.textContent).toMatch(/13.*Sanitize.*blade.*Halvern H12/);
    expect(screen.getAllByRole("img", { name: "Blade" })).toHaveLength(2);
    expect(screen.getByText("Too weak.")).toBeTruthy();
    expect(screen.getByText(/110 mg\/L/)).toBeTruthy();
    expect(screen.getByText(/Changed: step 13/)).toBeTruthy();
  });
});

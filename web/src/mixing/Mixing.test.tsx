import { fireEvent, screen } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import * as enter from "../round/entries";
import { PACK } from "../testing/mixing";
import { MAREN, show } from "../testing/page";
import Mixing from "./Mixing";

function bench(at = "/mixing", answers = {}) {
  return show(
    <Mixing />,
    {
      "GET /api/mixing/pack": PACK,
      "GET /api/session": MAREN,
      "GET /api/stream": { newest: [], entries: 0, now: Date.now() },
      "GET /api/instruments": [],
      ...answers,
    },
    at,
  );
}

describe("the mixing bench", () => {
  it("says how much of what goes in, at a strength that can be read and lasts", async () => {
    bench("/mixing?litres=40&t=18&ph=7.4");
    expect(await screen.findByText("30 mL")).toBeDefined();
    expect(screen.getByText(/It is then 110 mg\/L/)).toBeDefined();
    expect(screen.getByText(/Keep surfaces wet for 60 s/)).toBeDefined();
    expect(screen.getByText(/The lowest that reads as enough for sure/)).toBeDefined();
    expect(screen.queryByText("Quat kit")).toBeNull();
  });

  it("moves the level and the aim by keys", async () => {
    bench("/mixing?litres=40&t=18&ph=7.4");
    const level = await screen.findByRole("slider");
    fireEvent.keyDown(level, { key: "ArrowUp" });
    expect(level.getAttribute("aria-valuenow")).toBe("41");
    const map = screen.getByRole("application");
    fireEvent.keyDown(map, { key: "ArrowRight" });
    expect(map.getAttribute("aria-label")).toContain("115 mg/L");
    fireEvent.keyDown(map, { key: "ArrowDown" });
    fireEvent.keyDown(map, { key: "ArrowDown" });
    fireEvent.keyDown(map, { key: "ArrowDown" });
    fireEvent.keyDown(map, { key: "ArrowDown" });
    fireEvent.keyDown(map, { key: "ArrowDown" });
    expect(await screen.findByText(/Too cold/)).toBeDefined();
    expect(screen.queryByRole("button", { name: /I mixed it/ })).toBeNull();
  });

  it("says of a reading what it means and what to do", async () => {
    const { user } = bench("/mixing?litres=40&t=18&ph=7.4");
    await user.type(await screen.findByLabelText("It shows, mg/L"), "62");
    expect(await screen.findByText(/Out of range/)).toBeDefined();
    expect(screen.getByText("Add 13 mL of Halvern H12 to the 40 L")).toBeDefined();
    await user.clear(screen.getByLabelText("It shows, mg/L"));
    await user.type(screen.getByLabelText("It shows, mg/L"), "101");
    expect(await screen.findByText(/Can’t tell/)).toBeDefined();
    await user.clear(screen.getByLabelText("It shows, mg/L"));
    await user.type(screen.getByLabelText("It shows, mg/L"), "400");
    expect(await screen.findByText(/0 to 300 mg\/L/)).toBeDefined();
  });

  it("refuses what does not go in, and warns of caustic", async () => {
    bench("/mixing?litres=61&t=18&ph=7.4");
    expect(await screen.findByText(/do not go into it/)).toBeDefined();
    bench("/mixing?product=lyebourne-c25&litres=20&t=25");
    expect(await screen.findByText(/never water onto it/)).toBeDefined();
    expect(screen.getByText("200 mL")).toBeDefined();
  });

  it("has every calculation with its formula, and names what is wrong", async () => {
    const { user } = bench("/mixing?show=calc&calc=dilute");
    expect(await screen.findByText(/40 L × 100 mg\/L ÷ 146250 mg\/L/)).toBeDefined();
    await user.clear(screen.getByLabelText("Volume"));
    await user.type(screen.getByLabelText("Volume"), "0L");
    expect(await screen.findAllByText(/nothing to mix/)).not.toHaveLength(0);
  });

  it("says of an unknown label that it is not of this site", async () => {
    bench("/mixing?label=ZZZZZ");
    expect(await screen.findByText(/No solution of this site has the label ZZZZZ/)).toBeDefined();
  });

  it("takes a concentrate for what it has kept, and tells which tap gives how much", async () => {
    const { user } = bench("/mixing?litres=40&t=22&ph=7.4&hot=60");
    expect(await screen.findByText(/Of the water 31\.6 L cold, then 8\.3 L hot/)).toBeDefined();
    const kept = screen.getByLabelText(/Concentrate, % of its strength/);
    await user.clear(kept);
    await user.type(kept, "80");
    expect(await screen.findByText("38 mL")).toBeDefined();
    expect(screen.getByRole("button", { name: "Print this for the wall" })).toBeDefined();
  });

  it("begins with what a step of tonight needs", async () => {
    bench("/mixing?litres=40&t=18", {
      "GET /api/tonight/solutions": [
        {
          from: 12,
          machine: "QK-SL1",
          step: 14,
          product: "halvern-h12",
          litres: 25,
          mgPerL: 120,
          celsius: 22,
          vessel: "Sink 3",
        },
        {
          from: 40,
          machine: "QK-TL1",
          step: 9,
          product: "lyebourne-c25",
          litres: 30,
          percent: 2,
          celsius: 40,
        },
        { machine: "QK-XX1", step: 1, product: "of-another-site", litres: 1, mgPerL: 1 },
      ],
    });
    const steps = (await screen.findByLabelText("For a step of tonight")) as HTMLSelectElement;
    expect(steps.options.length).toBe(3);
    fireEvent.change(steps, { target: { value: "0" } });
    expect(await screen.findByText(/It is then 1[12]\d mg\/L/)).toBeDefined();
    expect((screen.getByLabelText("Liters") as HTMLInputElement).value).toBe("25");
    fireEvent.change(steps, { target: { value: "1" } });
    expect(await screen.findByText(/never water onto it/)).toBeDefined();
  });

  it("says that no blend gives what is asked for", async () => {
    bench("/mixing?litres=40&t=22&ph=7.4&hot=18");
    expect(await screen.findByText(/No blend of these two gives 22 °C/)).toBeDefined();
  });

  describe("over what stands on the site", () => {
    const HOUR = 3_600_000;
    const NOW = Date.now();
    const known = (entry: unknown, at: number, who = "Dagny Sollis") => ({ entry, who, person: "4", at });
    const bucket = (vessel: string, label: string, at = NOW - 5 * HOUR, as = {}) =>
      known(
        enter.solutionMade({
          vessel,
          chemical: "halvern-h12",
          litres: 40,
          mgPerL: 110,
          label,
          celsius: 18,
          until: NOW + HOUR,
          ...as,
        }),
        at,
      );
    const read = (label: string, mg: number, at: number) =>
      known(enter.solutionRead(label, "probe-2", mg, 18, at), at);
    const over = (newest: unknown[]) => ({
      "GET /api/stream": { newest, entries: newest.length, now: NOW },
    });

    it("asks for a reading of what somebody else has just corrected", async () => {
      bench(
        "/mixing?vessel=sink-3&litres=40&t=18&ph=7.4",
        over([
          bucket("sink-3", "K7Q2M"),
          read("K7Q2M", 90, NOW - HOUR),
          known(enter.solutionCorrected("K7Q2M", "add", 0.013, 0, NOW - 60_000), NOW - 60_000),
        ]),
      );
      expect(
        await screen.findByText(/Dagny Sollis corrected it at .* nobody has read it since/),
      ).toBeDefined();
      expect(screen.queryByRole("button", { name: /I did it/ })).toBeNull();
    });

    it("learns from fresh mixes how strong the concentrate still is", async () => {
      const { user } = bench(
        "/mixing?litres=40&t=18&ph=7.4",
        over([bucket("a", "AAAAA"), read("AAAAA", 99, NOW - 5 * HOUR + 600_000)]),
      );
      expect(await screen.findByText("30 mL")).toBeDefined();
      await user.click(await screen.findByRole("button", { name: "Dose by that" }));
      expect(await screen.findByText(/^3[345] mL$/)).toBeDefined();
      // What was read late tells of the solution, not of the concentrate.
      bench("/mixing?litres=40&t=18&ph=7.4", over([bucket("a", "AAAAA"), read("AAAAA", 99, NOW - HOUR)]));
      expect(screen.queryAllByText(/has \d+ % left/).length).toBeLessThan(2);
    });

    it("does not believe a display that has shown the same in other solutions", async () => {
      const { user } = bench(
        "/mixing?vessel=sink-3&litres=40&t=18&ph=7.4",
        over([
          bucket("a", "AAAAA"),
          bucket("b", "BBBBB"),
          read("AAAAA", 117, NOW - 2 * HOUR),
          read("BBBBB", 117, NOW - HOUR),
        ]),
      );
      await user.type(await screen.findByLabelText("It shows, mg/L"), "117");
      expect(await screen.findByText(/exactly 117 mg\/L in other solutions before/)).toBeDefined();
      await user.type(screen.getByLabelText("It shows, mg/L"), "{Backspace}8");
      expect(screen.queryByText(/in other solutions before/)).toBeNull();
    });

    it("aims higher for hours by how fast it fades here, and says where nobody knows", async () => {
      bench("/mixing?litres=40&t=18&ph=7.4&hold=3");
      expect(await screen.findByText(/is not known yet: read one solution twice/)).toBeDefined();
      expect(screen.getByText(/It is then 110 mg\/L/)).toBeDefined();
      bench(
        "/mixing?litres=40&t=18&ph=7.4&hold=3",
        over([bucket("a", "AAAAA"), read("AAAAA", 160, NOW - 4 * HOUR), read("AAAAA", 131, NOW - 2 * HOUR)]),
      );
      expect(await screen.findByText(/it loses 9\.5 % an hour/)).toBeDefined();
      expect(screen.getByText(/It is then 1[45]\d mg\/L/)).toBeDefined();
    });

    const opened = (days: number, celsius = 20) => {
      const at = NOW - days * 24 * HOUR;
      return known(enter.containerOpened("halvern-h12", at, celsius), NOW - HOUR);
    };

    it("doses an old concentrate by its age, and pours of none that is too old", async () => {
      bench("/mixing?vessel=sink-3&litres=40&t=18&ph=7.4", over([opened(70, 30)]));
      expect(await screen.findByText(/about 81 % left by its age/)).toBeDefined();
      expect(await screen.findByText("37 mL")).toBeDefined();
      bench("/mixing?vessel=sink-3&litres=40&t=18&ph=7.4", over([opened(91)]));
      expect(await screen.findByText(/may be used for 90 days. Open another one/)).toBeDefined();
      const write = screen.getAllByRole("button", { name: /I mixed it/ }) as HTMLButtonElement[];
      expect(write.at(-1)?.disabled).toBe(true);
    });

    it("asks when a container came, and refuses one of tomorrow", async () => {
      const { user } = bench("/mixing?litres=40&t=18&ph=7.4", over([]));
      await user.click(await screen.findByRole("button", { name: "Say when" }));
      const tomorrow = new Date(NOW + 48 * HOUR).toISOString().slice(0, 10);
      fireEvent.change(screen.getByLabelText("Delivered on"), { target: { value: tomorrow } });
      await user.click(screen.getByRole("button", { name: "Write it down" }));
      expect(await screen.findByText(/delivered.*up to now, and not more than 400 days ago/i)).toBeDefined();
    });

    it("doubts what is far from what was mixed just now", async () => {
      const fresh = bucket("sink-3", "K7Q2M", NOW - 60_000);
      const { user } = bench("/mixing?vessel=sink-3&litres=40&t=18&ph=7.4", over([fresh]));
      await user.type(await screen.findByLabelText("It shows, mg/L"), "0");
      expect(await screen.findByText(/110 mg\/L were mixed at .* second one/)).toBeDefined();
      await user.type(screen.getByLabelText("It shows, mg/L"), "{Backspace}62");
      expect(screen.queryByText(/were mixed at/)).toBeNull();
    });

    it("says first what a vessel holds, and not how to pour something onto it", async () => {
      bench("/mixing?vessel=sink-3&product=lyebourne-c25&litres=20&t=25", over([bucket("sink-3", "K7Q2M")]));
      expect(await screen.findByText(/still holds Halvern H12/)).toBeDefined();
      expect(screen.queryByText("200 mL")).toBeNull();
      expect(screen.queryByRole("button", { name: /I mixed it/ })).toBeNull();
    });

    it("writes down what went in when the container ran empty", async () => {
      const { user } = bench("/mixing?vessel=sink-3&litres=40&t=18&ph=7.4", over([]));
      await user.click(await screen.findByText("The container ran empty"));
      await user.type(screen.getByLabelText("What went in, mL"), "15");
      await user.click(screen.getByRole("button", { name: /I mixed it/ }));
      expect(await screen.findByText(/^55 mg\/L as mixed, not read yet/)).toBeDefined();
      expect(screen.getByText(/it is too weak by then/)).toBeDefined();
    });

    it("shortens the life of what fades, and says why", async () => {
      const { user } = bench(
        "/mixing?vessel=sink-3&litres=40&t=30&ph=7.4",
        over([
          bucket("sink-3", "K7Q2M", NOW - HOUR, { mgPerL: 120, celsius: 30, ph: 7.4, until: NOW + 3 * HOUR }),
          known(enter.solutionRead("K7Q2M", "probe-2", 100, 30, NOW - HOUR), NOW - HOUR),
        ]),
      );
      await user.type(await screen.findByLabelText("It shows, mg/L"), "62");
      await user.click(await screen.findByRole("button", { name: /Write the reading down/ }));
      await user.click(screen.getByRole("tab", { name: "Solutions on site" }));
      expect(await screen.findByText(/it is too weak by then/)).toBeDefined();
    });
  });
});

import { describe, expect, it } from "vitest";
import { reading, stepDone } from "./entries";
import { bounced, press } from "./press";

const done = (at: number, step = "wash") => press(stepDone(step), at);

describe("a finger that bounces", () => {
  it("is the same press again", () => expect(bounced(done(1000), done(1300))).toBe(true));
  it("is no bounce after a look at the screen", () => expect(bounced(done(1000), done(1900))).toBe(false));
  it("is no bounce at another step, or with another figure", () => {
    expect(bounced(done(1000), done(1100, "rinse"))).toBe(false);
    const read = (value: number, at: number) => press(reading("mix", "probe", value, 18), at);
    expect(bounced(read(100, 1000), read(110, 1100))).toBe(false);
  });
  it("needs a press before it, by a clock that was not set back", () => {
    expect(bounced(null, done(1000))).toBe(false);
    expect(bounced(done(1000), done(400))).toBe(false);
  });
});

import { useQuery } from "@tanstack/react-query";
import { screen } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { api, unwrap } from "../api/client";
import { Problem, show, WAITS } from "../testing/page";
import { words } from "../testing/words";
import { Effect } from "./Effect";

function Page({ changed }: { changed: boolean }) {
  const query = useQuery({
    queryKey: ["effect"],
    enabled: changed,
    queryFn: () => unwrap(api.POST("/api/site/effect", { body: { document: "{}" } })),
  });
  return <Effect query={query} changed={changed} />;
}

const effect = (answer: unknown, changed = true) =>
  show(<Page changed={changed} />, { "POST /api/site/effect": answer });

describe("what a change does to the approved procedures", () => {
  it("asks nothing until something is changed", () => {
    const { sent } = effect({ approved: 30, lost: [] }, false);
    expect(screen.getByText("Change something to see what it does.")).toBeTruthy();
    expect(sent).toEqual([]);
  });

  it("says that it is at work", async () => {
    effect(WAITS);
    expect(await screen.findByText("Running every approved procedure…")).toBeTruthy();
  });

  it("says that nothing changes only where all of them were run", async () => {
    effect({ approved: 30, lost: [] });
    expect(await screen.findByText("All 30 approved procedures say the same as before.")).toBeTruthy();
  });

  it("names each one that no longer passes, and every reason", async () => {
    effect({
      approved: 30,
      lost: [
        { id: "sl1", title: "Slicer, daily", because: [words("too weak"), words("too short")] },
        { id: "ov1", title: "Oven, daily", because: [words("too cold")] },
      ],
    });
    expect(await screen.findByText("2 of 30 approved procedures no longer pass:")).toBeTruthy();
    const lost = screen.getByText("Slicer, daily").closest("li") as HTMLElement;
    expect(lost.textContent).toBe("Slicer, dailyToo weakToo short");
    expect(screen.queryByText(/say the same as before/)).toBeNull();
  });

  it("says at which field the change itself is wrong", async () => {
    effect(new Problem(422, "It is wrong.", [{ pointer: "/mains/ph", message: "pH is 5 to 10; it is 14." }]));
    expect(await screen.findByText("pH is 5 to 10; it is 14.")).toBeTruthy();
  });

  it("says why nothing could be run", async () => {
    effect(new Problem(503, "Too much is asked at once."));
    expect(await screen.findByText(/Too much is asked at once/)).toBeTruthy();
  });
});

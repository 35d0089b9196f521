import { useMutation, useQuery } from "@tanstack/react-query";
import { screen } from "@testing-library/react";
import { describe, expect, it, vi } from "vitest";
import { api, unwrap } from "../api/client";
import { NO_SIGNAL, Problem, show, WAITS } from "../testing/page";
import { words } from "../testing/words";
import { Effect } from "./Effect";
import { Sign } from "./Sign";

const onClose = vi.fn();

function Change({ changed }: { changed: boolean }) {
  const effect = useQuery({
    queryKey: ["effect"],
    enabled: changed,
    queryFn: () => unwrap(api.POST("/api/site/effect", { body: { document: "{}" } })),
  });
  const save = useMutation({
    mutationFn: (pin: string) => unwrap(api.PUT("/api/site", { body: { document: "{}", pin } })),
  });
  return (
    <Sign ready={changed} save={save} onClose={onClose}>
      <Effect query={effect} changed={changed} />
    </Sign>
  );
}

const sign = () => screen.getByRole("button", { name: "Sign and save" });
const dialog = (answers: object, changed = true) => show(<Change changed={changed} />, { ...answers });
const NOTHING_LOST = { "POST /api/site/effect": { approved: 9, lost: [] } };

describe("how a change of the site ends", () => {
  it("is not signed without a change, whatever the PIN", async () => {
    const { user } = dialog({}, false);
    expect(screen.getByText("Change something to see what it does.")).toBeTruthy();
    await user.type(screen.getByLabelText("PIN"), "4711");
    expect(sign()).toHaveProperty("disabled", true);
  });

  it("says that it is at work", async () => {
    dialog({ "POST /api/site/effect": WAITS });
    expect(await screen.findByText("Running every approved procedure…")).toBeTruthy();
  });

  it("says that nothing is lost, with the number", async () => {
    dialog(NOTHING_LOST);
    expect(await screen.findByText("All 9 approved procedures say the same as before.")).toBeTruthy();
  });

  it("names what no longer passes, with each reason, before it is signed", async () => {
    dialog({
      "POST /api/site/effect": {
        approved: 9,
        lost: [
          { id: "a", title: "Slicer", because: ["Contact is 60 s; the label asks for 120 s."].map(words) },
        ],
      },
    });
    expect(await screen.findByText("1 of 9 approved procedures no longer pass:")).toBeTruthy();
    expect(screen.getByText(/asks for 120 s/)).toBeTruthy();
    expect(sign()).toHaveProperty("disabled", true);
  });

  it("says what is wrong with the change in the words of its field", async () => {
    dialog({
      "POST /api/site/effect": new Problem(422, "wrong", [
        { pointer: "/mains/ph", message: "pH 15 is outside 0 to 14." },
      ]),
    });
    expect(await screen.findByText("pH 15 is outside 0 to 14.")).toBeTruthy();
  });

  it.each([
    [new Problem(401, "The PIN is wrong. 3 tries left."), /3 tries left/, ""],
    [new Problem(429, "Locked for 15 more minutes."), /Locked/, ""],
    [new Problem(422, "The password has 8 to 100 letters."), /8 to 100/, "4711"],
    [new Problem(503, "The server's disk is full."), /disk is full/, "4711"],
    [NO_SIGNAL, /What you typed is still here/, "4711"],
  ])("says why it was not saved, and keeps a PIN that was not wrong", async (answer, says, pin) => {
    const { user, sent } = dialog({ ...NOTHING_LOST, "PUT /api/site": answer });
    await user.type(screen.getByLabelText("PIN"), "4711");
    await user.click(sign());
    expect((await screen.findByRole("alert")).textContent).toMatch(says);
    expect(sent.filter((s) => s.method === "PUT").length).toBe(1);
    expect(screen.getByLabelText("PIN")).toHaveProperty("value", pin);
    await user.click(screen.getByRole("button", { name: "Cancel" }));
    expect(onClose).toHaveBeenCalled();
  });
});

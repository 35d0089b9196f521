import { screen, waitFor, within } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { MAREN, Problem, show } from "../testing/page";
import Mine, { FirstPin } from "./Mine";

const form = (heading: string) =>
  within(screen.getByRole("heading", { name: heading }).closest("form") as HTMLElement);

describe("what is one's own", () => {
  it("takes another PIN by the password, and forgets all that was typed", async () => {
    const { user, sent } = show(<Mine />, { "PUT /api/session/pin": MAREN });
    await screen.findByRole("heading", { name: "Maren Oyelaran" });
    const pin = form("Another PIN");
    await user.type(pin.getByLabelText("Your password"), "quillmere-maren");
    await user.type(pin.getByLabelText("New PIN, six digits"), "708142");
    await user.type(pin.getByLabelText("The same again"), "708142");
    await user.click(pin.getByRole("button", { name: "Take this PIN" }));
    expect((await screen.findByRole("status")).textContent).toBe("From now on you sign with the new PIN.");
    expect(sent.at(-1)?.body).toEqual({ secret: "quillmere-maren", byPin: false, pin: "708142" });
    for (const label of ["Your password", "New PIN, six digits", "The same again"]) {
      expect(pin.getByLabelText(label)).toHaveProperty("value", "");
    }
  });

  it("takes it by the PIN one had, for whoever has no password at hand", async () => {
    const { user, sent } = show(<Mine />, { "PUT /api/session/pin": MAREN });
    await screen.findByRole("heading", { name: "Maren Oyelaran" });
    const pin = form("Another PIN");
    await user.click(pin.getByRole("button", { name: "With the PIN you had instead" }));
    await user.type(pin.getByLabelText("The PIN you had"), "335027");
    await user.type(pin.getByLabelText("New PIN, six digits"), "708142");
    await user.type(pin.getByLabelText("The same again"), "708142");
    await user.click(pin.getByRole("button", { name: "Take this PIN" }));
    await waitFor(() => expect(sent.at(-1)?.body).toMatchObject({ secret: "335027", byPin: true }));
  });

  it("sends nothing while the two are not the same", async () => {
    const { user } = show(<Mine />);
    await screen.findByRole("heading", { name: "Maren Oyelaran" });
    const pin = form("Another PIN");
    await user.type(pin.getByLabelText("New PIN, six digits"), "708142");
    await user.type(pin.getByLabelText("The same again"), "70814");
    // Half typed is not yet wrong.
    expect(pin.queryByText("The two are not the same.")).toBeNull();
    await user.type(pin.getByLabelText("The same again"), "3");
    expect(pin.getByText("The two are not the same.")).toBeTruthy();
    expect(pin.getByRole("button", { name: "Take this PIN" })).toHaveProperty("disabled", true);
  });

  it("takes the wrong password away and leaves the new one", async () => {
    const { user } = show(<Mine />, {
      "PUT /api/session/password": new Problem(401, "This is not your password."),
    });
    await screen.findByRole("heading", { name: "Maren Oyelaran" });
    const word = form("Another password");
    await user.type(word.getByLabelText("The password you have"), "forgotten");
    await user.type(word.getByLabelText("New password, 8 to 72 letters"), "a long enough one");
    await user.click(word.getByRole("button", { name: "Take this password" }));
    expect((await word.findByRole("alert")).textContent).toBe("This is not your password.");
    expect(word.getByLabelText("The password you have")).toHaveProperty("value", "");
    expect(word.getByLabelText("New password, 8 to 72 letters")).toHaveProperty("value", "a long enough one");
  });

  it("asks for a PIN before anything else where none was chosen", async () => {
    show(<FirstPin />, { "GET /api/session": { ...MAREN, choosePin: true } });
    expect(await screen.findByRole("heading", { name: "Choose your PIN" })).toBeTruthy();
    expect(screen.queryByRole("heading", { name: "Another password" })).toBeNull();
    expect(screen.getByRole("button", { name: "Sign out" })).toBeTruthy();
  });
});

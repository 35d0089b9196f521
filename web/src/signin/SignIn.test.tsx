import { screen, waitFor } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { MAREN, NO_SIGNAL, Problem, show } from "../testing/page";
import SignIn from "./SignIn";

const NOBODY = { name: null, role: null, person: null };

async function come(user: ReturnType<typeof show>["user"], password: string) {
  await user.type(screen.getByLabelText("Name"), "Maren Oyelaran");
  await user.type(screen.getByLabelText("Password"), password);
  await user.click(screen.getByRole("button", { name: "Sign in" }));
}

describe("signing in", () => {
  it("leads to where somebody was on the way to", async () => {
    const { user, router, sent } = show(
      <SignIn />,
      { "GET /api/session": NOBODY, "POST /api/session": MAREN },
      "/sign-in",
      "/sign-in",
    );
    await router.navigate("/sign-in", { state: { from: "/due" } });
    await come(user, "quillmere-maren");
    await waitFor(() => expect(router.state.location.pathname).toBe("/due"));
    expect(sent.at(-1)?.body).toEqual({ name: "Maren Oyelaran", password: "quillmere-maren" });
  });

  it("keeps the name and takes the password away where it was wrong", async () => {
    const { user } = show(<SignIn />, {
      "GET /api/session": NOBODY,
      "POST /api/session": new Problem(401, "Name or password is wrong."),
    });
    await come(user, "guessed");
    expect((await screen.findByRole("alert")).textContent).toBe("Name or password is wrong.");
    expect(screen.getByLabelText("Name")).toHaveProperty("value", "Maren Oyelaran");
    expect(screen.getByLabelText("Password")).toHaveProperty("value", "");
    expect(screen.getByRole("button", { name: "Sign in" })).toHaveProperty("disabled", false);
  });

  it("says so where the server cannot be reached", async () => {
    const { user } = show(<SignIn />, { "GET /api/session": NO_SIGNAL });
    await come(user, "quillmere-maren");
    expect((await screen.findByRole("alert")).textContent).toMatch(/The server cannot be reached/);
  });

  it("says what stands above the program", () => {
    show(<SignIn />);
    expect(
      screen.getByText(/Local codes, chemical labels, machine manuals and licensed trades stand above it\./),
    ).toBeTruthy();
  });

  it("asks for a name and a PIN only, on a tablet of the site and on the way to the floor", async () => {
    const { router, user } = show(
      <SignIn />,
      {
        "GET /api/session": NOBODY,
        "GET /api/tablets/this": {
          name: "Dish room",
          people: [{ account: 5, name: "Pell Okonjo", role: "CREW" }],
        },
      },
      "/sign-in",
      "/sign-in",
    );
    await router.navigate("/sign-in", { state: { from: "/floor" } });
    await waitFor(() => expect(screen.queryByLabelText("Password")).toBeNull());
    expect(await screen.findByRole("button", { name: /Pell Okonjo/ })).toBeTruthy();
    await user.click(screen.getByRole("button", { name: /password/i }));
    expect(await screen.findByLabelText("Password")).toBeTruthy();
  });
});

import { MantineProvider } from "@mantine/core";
import { fireEvent, render, screen } from "@testing-library/react";
import { useState } from "react";
import { expect, test } from "vitest";
import { Dialog } from "./Dialog";

function Page({ gone = false }) {
  const [open, setOpen] = useState(false);
  const [taken, setTaken] = useState(false);
  const close = () => {
    setOpen(false);
    setTaken(gone);
  };
  return (
    <MantineProvider env="test">
      <main>
        {!taken && (
          <button type="button" onClick={() => setOpen(true)}>
            Retire…
          </button>
        )}
        {open && (
          <Dialog title="Retire this version" onClose={close}>
            <button type="button" onClick={close}>
              Retire it
            </button>
          </Dialog>
        )}
      </main>
    </MantineProvider>
  );
}

const opened = async (page: React.ReactElement) => {
  render(page);
  const opener = screen.getByRole("button", { name: "Retire…" });
  opener.focus();
  fireEvent.click(opener);
  const inside = await screen.findByRole("button", { name: "Retire it" });
  inside.focus();
  fireEvent.click(inside);
  return opener;
};

test("What opened a dialog has the focus again when it closes", async () => {
  const opener = await opened(<Page />);
  expect(document.activeElement).toBe(opener);
});

test("When what opened it is gone, the page has the focus, not the bar above it", async () => {
  await opened(<Page gone />);
  expect(document.activeElement).toBe(screen.getByRole("main"));
});

import { TextInput } from "@mantine/core";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, message, type Schemas, unwrap } from "../api/client";
import { Dialog } from "../shared/Dialog";
import { keys } from "../shared/keys";
import { Sign } from "../shared/Sign";
import { say } from "../shared/say";
import { useClock } from "../shared/session";

const LONGEST = 40;

/** The site's own tablets: on them a name and a PIN are enough to go on. */
export function TabletList() {
  const clock = useClock();
  const tablets = useQuery({
    queryKey: keys.tablets(),
    queryFn: () => unwrap(api.GET("/api/tablets")),
  });
  const [open, setOpen] = useState<"new" | Schemas["Tablet"] | null>(null);
  return (
    <section className="tablets" aria-label={say("people.tablet-list.tablets", "Tablets")}>
      <div className="page-head">
        <h2>{say("people.tablet-list.tablets", "Tablets")}</h2>
        <span className="grow" />
        <button className="btn" type="button" onClick={() => setOpen("new")}>
          {say("people.tablet-list.enroll-a-tablet", "Enroll a tablet…")}
        </button>
      </div>
      {tablets.isError && (
        <p className="note stop" role="alert">
          {message(tablets.error)}
        </p>
      )}
      {tablets.data?.length === 0 && (
        <p className="quiet">
          {say(
            "people.tablet-list.none-yet-on-an-enrolled-tablet",
            "None yet. On an enrolled tablet people change over with a name and a PIN, and each entry says which tablet it was made on.",
          )}
        </p>
      )}
      <ul className="tablet-list">
        {(tablets.data ?? []).map((t) => (
          <li key={t.id}>
            <span>{clock.day(t.enrolledAt)}</span>
            <b>{t.name}</b>
            <span>{say("people.tablet-list.enrolled-by", "enrolled by {0}", t.enrolledBy)}</span>
            <button
              className="btn small"
              type="button"
              aria-label={say("people.tablet-list.withdraw-this", "Withdraw {0}", t.name)}
              onClick={() => setOpen(t)}
            >
              {say("people.tablet-list.withdraw", "Withdraw…")}
            </button>
          </li>
        ))}
      </ul>
      {open === "new" && <NewTablet onClose={() => setOpen(null)} />}
      {open && open !== "new" && <Withdraw tablet={open} onClose={() => setOpen(null)} />}
    </section>
  );
}

function NewTablet({ onClose }: { onClose: () => void }) {
  const queries = useQueryClient();
  const clock = useClock();
  const [name, setName] = useState("");
  const give = useMutation({
    mutationFn: (signature: string) =>
      unwrap(api.POST("/api/tablets/codes", { body: { name: name.trim(), signature } })),
  });
  const close = () => {
    void queries.invalidateQueries({ queryKey: keys.tablets() });
    onClose();
  };
  if (give.data) {
    return (
      <Dialog title={say("people.tablet-list.a-code-for", "A code for {0}", name.trim())} onClose={close}>
        <p className="tablet-code">{give.data.code.replace(/(\d{3})/, "$1 ")}</p>
        <p>
          {say(
            "people.tablet-list.on-the-tablet-open-the-floor",
            "On the tablet: open the floor, press the name at the top, and type it in. It enrolls one tablet and holds until {0}.",
            clock.time(give.data.until),
          )}
        </p>
        <div className="dialog-row">
          <button className="btn main" type="button" onClick={close}>
            {say("people.tablet-list.done", "Done")}
          </button>
        </div>
      </Dialog>
    );
  }
  return (
    <Dialog title={say("people.tablet-list.enroll-a-tablet-2", "Enroll a tablet")} onClose={onClose}>
      <Sign
        save={give}
        ready={name.trim() !== ""}
        says={say("people.tablet-list.sign-and-show-the-code", "Sign and show the code")}
        onClose={onClose}
      >
        <TextInput
          label={say("people.tablet-list.what-it-is-called", "What it is called")}
          description={say(
            "people.tablet-list.where-it-hangs-dish-room-saw",
            "Where it hangs: dish room, saw room.",
          )}
          value={name}
          maxLength={LONGEST}
          required
          onChange={(e) => setName(e.currentTarget.value)}
        />
      </Sign>
    </Dialog>
  );
}

function Withdraw({ tablet, onClose }: { tablet: Schemas["Tablet"]; onClose: () => void }) {
  const queries = useQueryClient();
  const save = useMutation({
    mutationFn: (signature: string) =>
      unwrap(api.DELETE("/api/tablets/{id}", { params: { path: { id: tablet.id } }, body: { signature } })),
    onSuccess: () => {
      void queries.invalidateQueries({ queryKey: keys.tablets() });
      onClose();
    },
  });
  return (
    <Dialog title={say("people.tablet-list.withdraw-this", "Withdraw {0}", tablet.name)} onClose={onClose}>
      <Sign
        save={save}
        ready
        says={say("people.tablet-list.sign-and-withdraw", "Sign and withdraw")}
        onClose={onClose}
      >
        <p>
          {say(
            "people.tablet-list.a-pin-alone-opens-nothing-on",
            "A PIN alone opens nothing on it any more. What it still keeps without signal is sent when somebody signs in there with name and password.",
          )}
        </p>
      </Sign>
    </Dialog>
  );
}

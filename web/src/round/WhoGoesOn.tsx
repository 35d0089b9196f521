import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useLocation } from "react-router";
import { api, message, type Schemas, unwrap } from "../api/client";
import { Dialog } from "../shared/Dialog";
import { keys } from "../shared/keys";
import { say } from "../shared/say";
import { signedIn, useSession } from "../shared/session";
import { PinPad } from "./PinPad";

const ROLES: Record<string, string> = {
  CREW: say("round.who-goes-on.crew", "crew"),
  SUPERVISOR: say("round.who-goes-on.supervisor", "supervisor"),
  QA: say("round.who-goes-on.quality", "quality"),
};
const LONGEST_PIN = 8;
const CODE = 6;

/** Who is signed in here; a press lets somebody else go on. */
export function Who() {
  const session = useSession();
  const [open, setOpen] = useState(false);
  const name = session.data?.name;
  return (
    <>
      <button className="floor-leave floor-who" type="button" onClick={() => setOpen(true)}>
        {name ?? say("round.who-goes-on.nobody", "Nobody")}
        <span className="sr-only">: {say("round.who-goes-on.change-user", "change user")}</span>
      </button>
      {open && (
        <Dialog
          title={say("round.who-goes-on.who-continues", "Who continues?")}
          onClose={() => setOpen(false)}
          dark
        >
          <GoOn onDone={() => setOpen(false)} />
          <button className="floor-btn" type="button" onClick={() => setOpen(false)}>
            {name
              ? say("round.who-goes-on.continues", "{0} continues", name)
              : say("round.who-goes-on.back", "Back")}
          </button>
        </Dialog>
      )}
    </>
  );
}

/** On a tablet of the site: a name and a PIN. On another one: a code that makes it one. */
export function GoOn({ onDone }: { onDone: () => void }) {
  const here = useQuery({
    queryKey: keys.tablet(),
    queryFn: () => unwrap(api.GET("/api/tablets/this")),
  });
  const [who, setWho] = useState<Schemas["AtTheMachine"] | null>(null);
  if (here.isPending) {
    return <p>{say("round.who-goes-on.loading", "Loading…")}</p>;
  }
  if (here.isError) {
    return (
      <p className="floor-caution" role="alert">
        {say(
          "round.who-goes-on.changing-over-takes-a-connection-the",
          "Changing over takes a connection: the server looks at the PIN.",
        )}{" "}
        {message(here.error)}
      </p>
    );
  }
  if (!here.data.name) {
    return <Enrol />;
  }
  if (who) {
    return <ByPin who={who} onDone={onDone} onBack={() => setWho(null)} />;
  }
  return (
    <div className="floor-pieces who-names">
      {here.data.people.map((p) => (
        <button key={p.account} className="floor-btn" type="button" onClick={() => setWho(p)}>
          {p.name}
          <small>{ROLES[p.role] ?? ""}</small>
        </button>
      ))}
    </div>
  );
}

type ByPinProps = { who: Schemas["AtTheMachine"]; onDone: () => void; onBack: () => void };

function ByPin({ who, onDone, onBack }: ByPinProps) {
  const queries = useQueryClient();
  const [pin, setPin] = useState("");
  const go = useMutation({
    mutationFn: () => unwrap(api.POST("/api/tablets/session", { body: { account: who.account, pin } })),
    onSuccess: async (session) => {
      await signedIn(queries, session);
      onDone();
    },
    onSettled: () => setPin(""),
  });
  return (
    <>
      <PinPad
        label={say("round.who-goes-on.pin-of", "PIN of {0}", who.name)}
        value={pin}
        most={LONGEST_PIN}
        hidden
        busy={go.isPending}
        onChange={setPin}
        onDone={() => pin.length >= 4 && go.mutate()}
      >
        {go.isError && (
          <p className="floor-refusal" role="alert">
            {message(go.error)}
          </p>
        )}
      </PinPad>
      <button className="floor-btn" type="button" onClick={onBack}>
        {say("round.who-goes-on.another-name", "Another name")}
      </button>
    </>
  );
}

function Enrol() {
  const queries = useQueryClient();
  const from = useLocation().pathname;
  const [code, setCode] = useState("");
  const enrol = useMutation({
    mutationFn: () => unwrap(api.POST("/api/tablets/enrol", { body: { code } })),
    onSuccess: (here) => queries.setQueryData(keys.tablet(), here),
    onSettled: () => setCode(""),
  });
  return (
    <>
      <p>
        {say(
          "round.who-goes-on.this-tablet-is-not-one-of",
          "This tablet is not one of the site’s yet. A supervisor gives out a code for it at the desk, under People and site; after that a name and a PIN are enough here.",
        )}
      </p>
      <PinPad
        label={say("round.who-goes-on.code-of-this-tablet-six-digits", "Code of this tablet, six digits")}
        value={code}
        most={CODE}
        busy={enrol.isPending}
        onChange={setCode}
        onDone={() => code.length === CODE && enrol.mutate()}
      >
        {enrol.isError && (
          <p className="floor-refusal" role="alert">
            {message(enrol.error)}
          </p>
        )}
      </PinPad>
      <Link className="floor-btn" to="/sign-in" state={{ from, byName: true }}>
        {say("round.who-goes-on.sign-in-with-name-and-password", "Sign in with name and password")}
      </Link>
    </>
  );
}

/** Where the session ended on a tablet of the site: a name and a PIN are enough to go on. */
export function GoOnHere({ onDone, onByName }: { onDone: () => void; onByName: () => void }) {
  return (
    <section
      className="floor-dialog who-page"
      aria-label={say("round.who-goes-on.who-continues", "Who continues?")}
    >
      <h1>{say("round.who-goes-on.who-continues", "Who continues?")}</h1>
      <GoOn onDone={onDone} />
      <button className="floor-btn" type="button" onClick={onByName}>
        {say("round.who-goes-on.sign-in-with-name-and-password", "Sign in with name and password")}
      </button>
    </section>
  );
}

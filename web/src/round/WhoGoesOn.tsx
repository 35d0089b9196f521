import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useLocation } from "react-router";
import { api, message, type Schemas, unwrap } from "../api/client";
import { Dialog } from "../shared/Dialog";
import { keys } from "../shared/keys";
import { signedIn, useSession } from "../shared/session";
import { type Say, useSay } from "../shared/texts";
import { PinPad } from "./PinPad";

const ROLES: Record<string, string> = { CREW: "crew", SUPERVISOR: "supervisor", QA: "quality" };
const LONGEST_PIN = 8;
const CODE = 6;

/** Who is signed in here; a press lets somebody else go on. */
export function Who({ say }: { say: Say }) {
  const session = useSession();
  const [open, setOpen] = useState(false);
  const name = session.data?.name;
  return (
    <>
      <button className="floor-leave floor-who" type="button" onClick={() => setOpen(true)}>
        {name ?? say("Nobody")}
        <span className="sr-only">: {say("change user")}</span>
      </button>
      {open && (
        <Dialog title={say("Who continues?")} onClose={() => setOpen(false)} dark>
          <GoOn say={say} onDone={() => setOpen(false)} />
          <button className="floor-btn" type="button" onClick={() => setOpen(false)}>
            {name ? say("{0} continues", name) : say("Back")}
          </button>
        </Dialog>
      )}
    </>
  );
}

/** On a tablet of the site: a name and a PIN. On another one: a code that makes it one. */
export function GoOn({ say, onDone }: { say: Say; onDone: () => void }) {
  const here = useQuery({
    queryKey: keys.tablet(),
    queryFn: () => unwrap(api.GET("/api/tablets/this")),
  });
  const [who, setWho] = useState<Schemas["AtTheMachine"] | null>(null);
  if (here.isPending) {
    return <p>{say("Loading…")}</p>;
  }
  if (here.isError) {
    return (
      <p className="floor-caution" role="alert">
        {say("Changing over takes a connection: the server looks at the PIN.")} {message(here.error)}
      </p>
    );
  }
  if (!here.data.name) {
    return <Enrol say={say} />;
  }
  if (who) {
    return <ByPin who={who} say={say} onDone={onDone} onBack={() => setWho(null)} />;
  }
  return (
    <div className="floor-pieces who-names">
      {here.data.people.map((p) => (
        <button key={p.account} className="floor-btn" type="button" onClick={() => setWho(p)}>
          {p.name}
          <small>{say(ROLES[p.role] ?? "")}</small>
        </button>
      ))}
    </div>
  );
}

type ByPinProps = { who: Schemas["AtTheMachine"]; say: Say; onDone: () => void; onBack: () => void };

function ByPin({ who, say, onDone, onBack }: ByPinProps) {
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
        label={say("PIN of {0}", who.name)}
        value={pin}
        most={LONGEST_PIN}
        hidden
        busy={go.isPending}
        say={say}
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
        {say("Another name")}
      </button>
    </>
  );
}

function Enrol({ say }: { say: Say }) {
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
          "This tablet is not one of the site’s yet. A supervisor gives out a code for it at the desk, under People and site; after that a name and a PIN are enough here.",
        )}
      </p>
      <PinPad
        label={say("Code of this tablet, six digits")}
        value={code}
        most={CODE}
        busy={enrol.isPending}
        say={say}
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
        {say("Sign in with name and password")}
      </Link>
    </>
  );
}

/** Where the session ended on a tablet of the site: a name and a PIN are enough to go on. */
export function GoOnHere({ onDone, onByName }: { onDone: () => void; onByName: () => void }) {
  const say = useSay();
  return (
    <section className="floor-dialog who-page" aria-label={say("Who continues?")}>
      <h1>{say("Who continues?")}</h1>
      <GoOn say={say} onDone={onDone} />
      <button className="floor-btn" type="button" onClick={onByName}>
        {say("Sign in with name and password")}
      </button>
    </section>
  );
}

import { PasswordInput } from "@mantine/core";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { useNavigate } from "react-router";
import { ApiProblem, api, message, unwrap } from "../api/client";
import { say } from "../shared/say";
import { signedIn, useSession, useSignOut } from "../shared/session";
import "./people.css";

const DIGITS = 6;

/** What is one's own: the PIN with which one signs, and the password. */
export default function Mine() {
  const session = useSession();
  const navigate = useNavigate();
  return (
    <main className="page mine">
      <div className="page-head">
        <h1>{session.data?.name}</h1>
        <span className="grow" />
        <button className="btn" type="button" onClick={() => navigate(-1)}>
          {say("people.mine.back", "Back")}
        </button>
      </div>
      <ChoosePin />
      <ChoosePassword />
    </main>
  );
}

/** Before anything can be signed, for whoever has no PIN that they have chosen. */
export function FirstPin() {
  const session = useSession();
  const leave = useSignOut();
  return (
    <main className="page mine">
      <div className="page-head">
        <h1>{session.data?.name}</h1>
        <span className="grow" />
        <button className="btn" type="button" onClick={() => leave.mutate()}>
          {say("people.mine.sign-out", "Sign out")}
        </button>
      </div>
      {leave.isError && (
        <p className="note stop" role="alert">
          {message(leave.error)}
        </p>
      )}
      <ChoosePin />
    </main>
  );
}

function ChoosePin() {
  const queries = useQueryClient();
  const session = useSession();
  const first = session.data?.choosePin ?? false;
  const [byPin, setByPin] = useState(false);
  const [secret, setSecret] = useState("");
  const [pin, setPin] = useState("");
  const [again, setAgain] = useState("");
  const differ = again !== "" && again !== pin;
  const save = useMutation({
    mutationFn: () => unwrap(api.PUT("/api/session/pin", { body: { secret, byPin, pin } })),
    onSuccess: async (now) => {
      setSecret("");
      setPin("");
      setAgain("");
      await signedIn(queries, now);
    },
    // A secret that was wrong goes; what was typed beside it stays.
    onError: (e) => e instanceof ApiProblem && e.status === 401 && setSecret(""),
  });
  return (
    <form
      onSubmit={(e) => {
        e.preventDefault();
        save.mutate();
      }}
    >
      <h2>
        {first
          ? say("people.mine.choose-your-pin", "Choose your PIN")
          : say("people.mine.another-pin", "Another PIN")}
      </h2>
      <p className="quiet">
        {say(
          "people.mine.you-sign-with-it-six-digits",
          "You sign with it: six digits that only you know. Not your birthday, not one after the other.",
        )}
      </p>
      <PasswordInput
        label={
          byPin
            ? say("people.mine.the-pin-you-had", "The PIN you had")
            : say("people.mine.your-password", "Your password")
        }
        inputMode={byPin ? "numeric" : undefined}
        autoComplete={byPin ? "off" : "current-password"}
        size="md"
        required
        withAsterisk={false}
        value={secret}
        onChange={(e) => setSecret(e.currentTarget.value)}
      />
      <button className="link" type="button" onClick={() => setByPin(!byPin)}>
        {byPin
          ? say("people.mine.with-the-password-instead", "With the password instead")
          : say("people.mine.with-the-pin-you-had-instead", "With the PIN you had instead")}
      </button>
      <PasswordInput
        label={say("people.mine.new-pin-six-digits", "New PIN, six digits")}
        inputMode="numeric"
        autoComplete="off"
        size="md"
        maxLength={DIGITS}
        required
        withAsterisk={false}
        value={pin}
        onChange={(e) => setPin(e.currentTarget.value)}
      />
      <PasswordInput
        label={say("people.mine.the-same-again", "The same again")}
        inputMode="numeric"
        autoComplete="off"
        size="md"
        maxLength={DIGITS}
        required
        withAsterisk={false}
        value={again}
        onChange={(e) => setAgain(e.currentTarget.value)}
        error={
          differ && again.length >= pin.length
            ? say("people.mine.the-two-are-not-the-same", "The two are not the same.")
            : undefined
        }
      />
      {save.error && (
        <p className="note stop" role="alert">
          {message(save.error)}
        </p>
      )}
      {save.isSuccess && (
        <p className="note done" role="status">
          {say("people.mine.from-now-on-you-sign-with", "From now on you sign with the new PIN.")}
        </p>
      )}
      <button className="btn main" type="submit" disabled={save.isPending || differ || again === ""}>
        {say("people.mine.take-this-pin", "Take this PIN")}
      </button>
    </form>
  );
}

function ChoosePassword() {
  const queries = useQueryClient();
  const [old, setOld] = useState("");
  const [password, setPassword] = useState("");
  const save = useMutation({
    mutationFn: () => unwrap(api.PUT("/api/session/password", { body: { old, password } })),
    onSuccess: async (now) => {
      setOld("");
      setPassword("");
      await signedIn(queries, now);
    },
    onError: (e) => e instanceof ApiProblem && e.status === 401 && setOld(""),
  });
  return (
    <form
      onSubmit={(e) => {
        e.preventDefault();
        save.mutate();
      }}
    >
      <h2>{say("people.mine.another-password", "Another password")}</h2>
      <PasswordInput
        label={say("people.mine.the-password-you-have", "The password you have")}
        autoComplete="current-password"
        size="md"
        required
        withAsterisk={false}
        value={old}
        onChange={(e) => setOld(e.currentTarget.value)}
      />
      <PasswordInput
        label={say("people.mine.new-password-8-to-72-letters", "New password, 8 to 72 letters")}
        autoComplete="new-password"
        size="md"
        required
        withAsterisk={false}
        value={password}
        onChange={(e) => setPassword(e.currentTarget.value)}
      />
      {save.error && (
        <p className="note stop" role="alert">
          {message(save.error)}
        </p>
      )}
      {save.isSuccess && (
        <p className="note done" role="status">
          {say("people.mine.from-now-on-you-sign-in", "From now on you sign in with the new password.")}
        </p>
      )}
      <button className="btn main" type="submit" disabled={save.isPending}>
        {say("people.mine.take-this-password", "Take this password")}
      </button>
    </form>
  );
}

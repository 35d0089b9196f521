import { say } from "../shared/say";
import "./signin.css";
import { PasswordInput, TextInput } from "@mantine/core";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { useLocation, useNavigate } from "react-router";
import { api, message, unwrap } from "../api/client";
import { GoOnHere } from "../round/WhoGoesOn";
import { signedIn } from "../shared/session";
import "../floor/floor.css";
import { keys } from "../shared/keys";

export default function SignIn() {
  const [name, setName] = useState("");
  const [password, setPassword] = useState("");
  const [error, setError] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const navigate = useNavigate();
  const came = useLocation().state as { from?: string; byName?: boolean } | null;
  const from = came?.from ?? "/";
  const [byName, setByName] = useState(came?.byName ?? false);
  // On a tablet of the site, on its way to the floor, a name and a PIN are enough.
  const here = useQuery({
    queryKey: keys.tablet(),
    queryFn: () => unwrap(api.GET("/api/tablets/this")),
    enabled: from.startsWith("/floor") && !byName,
  });
  const queries = useQueryClient();

  async function submit(e: FormEvent) {
    e.preventDefault();
    setBusy(true);
    setError(null);
    try {
      // The first answer sets the token without which the second is refused.
      await unwrap(api.GET("/api/session"));
      const session = await unwrap(api.POST("/api/session", { body: { name, password } }));
      queries.clear();
      await signedIn(queries, session);
      navigate(from, { replace: true });
    } catch (problem) {
      setError(message(problem));
      setPassword("");
    } finally {
      setBusy(false);
    }
  }

  if (here.data?.name && !byName) {
    return (
      <main className="floor">
        <GoOnHere onDone={() => navigate(from, { replace: true })} onByName={() => setByName(true)} />
      </main>
    );
  }
  return (
    <main className="signin">
      <div className="signin-cloth" aria-hidden="true">
        <svg viewBox="0 0 300 800" preserveAspectRatio="xMidYMin slice" width="100%" height="100%">
          <title>{say("signin.sign-in.cloth", "cloth")}</title>
          <defs>
            <pattern id="h" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(-45)">
              <rect width="7" height="7" fill="#e6dccb" />
              <path d="M0 0H7" stroke="#8a7a60" strokeWidth="2.4" />
            </pattern>
          </defs>
          {[0, 1, 2, 3, 4, 5].map((i) => {
            const y1 = 120 + ((i * 97) % 200);
            const y2 = y1 + 150 + ((i * 53) % 120);
            const y3 = y2 + 110;
            const x = 24 + i * 44;
            return (
              <g key={x}>
                <rect x={x} y="0" width="30" height={y1} fill="url(#h)" />
                <path d={`M${x} ${y1 + 8}q7.5 -9 15 0t15 0`} fill="none" stroke="#2f6f86" strokeWidth="2.5" />
                <path
                  d={`M${x + 11} ${y1 + 14}V${y2}M${x + 19} ${y1 + 14}V${y2}`}
                  stroke="#2f6f86"
                  strokeWidth="2"
                />
                <path d={`M${x + 15} ${y2}V${y3}`} stroke="#2f6f86" strokeWidth="2.5" />
                <path d={`M${x + 15} ${y3 - 10}l9 10-9 10-9-10z`} fill="#3d6b4a" />
                <rect x={x + 11} y={y3 + 10} width="8" height={800 - y3} fill="#3d6b4a" />
              </g>
            );
          })}
        </svg>
      </div>
      <form className="signin-form" onSubmit={submit}>
        <h1>{say("signin.sign-in.orthopur", "Orthopur")}</h1>
        <p className="quiet">
          {say(
            "signin.sign-in.cleaning-procedures-run-through-before-anyone",
            "Cleaning procedures, run through before anyone picks up a wrench.",
          )}
        </p>
        <TextInput
          label={say("signin.sign-in.name", "Name")}
          autoComplete="username"
          autoFocus
          required
          withAsterisk={false}
          maxLength={300}
          value={name}
          onChange={(e) => setName(e.currentTarget.value)}
          size="md"
        />
        <PasswordInput
          label={say("signin.sign-in.password", "Password")}
          autoComplete="current-password"
          required
          withAsterisk={false}
          value={password}
          onChange={(e) => setPassword(e.currentTarget.value)}
          size="md"
        />
        {error && (
          <p className="note stop" role="alert">
            {error}
          </p>
        )}
        <button className="btn main" type="submit" disabled={busy}>
          {busy ? say("signin.sign-in.looking", "Looking…") : say("signin.sign-in.sign-in", "Sign in")}
        </button>
        <p className="quiet signin-caution">
          {say(
            "signin.sign-in.the-program-plans-checks-and-records",
            "The program plans, checks and records. Local codes, chemical labels, machine manuals and licensed trades stand above it.",
          )}
        </p>
      </form>
    </main>
  );
}

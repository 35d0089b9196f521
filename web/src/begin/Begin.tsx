import { NativeSelect, NumberInput, PasswordInput, TextInput } from "@mantine/core";
import { useMutation, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { useNavigate } from "react-router";
import { ApiProblem, api, message, unwrap } from "../api/client";
import { say } from "../shared/say";
import "../signin/signin.css";
import { keys } from "../shared/keys";

const ZONES = Intl.supportedValuesOf("timeZone");

/** The first supervisor of a site, by the link that the server printed; the link is good for once. */
export default function Begin() {
  // Behind the hash it is sent to nobody and stands in no log of a proxy.
  const [token] = useState(() => globalThis.location.hash.slice(1));
  const navigate = useNavigate();
  const beginning = useQuery({ queryKey: keys.begin(), queryFn: () => unwrap(api.GET("/api/begin")) });
  const [name, setName] = useState("");
  const [password, setPassword] = useState("");
  const [pin, setPin] = useState("");
  const [site, setSite] = useState("");
  const [town, setTown] = useState("");
  const [zone, setZone] = useState(Intl.DateTimeFormat().resolvedOptions().timeZone);
  const [water, setWater] = useState<Record<string, number | string>>({
    temperature: "",
    hardness: "",
    ph: "",
  });
  const mains = {
    temperature: { value: water.temperature, unit: "°C" },
    hardness: { value: water.hardness, unit: "mg/L" },
    ph: { value: water.ph, unit: "pH" },
  };
  const make = useMutation({
    mutationFn: async () => {
      await unwrap(api.GET("/api/session"));
      return unwrap(
        api.POST("/api/begin", {
          body: {
            token,
            name,
            password,
            pin,
            site: (beginning.data?.site ? { name: site, town, zone, mains } : undefined) as never,
          },
        }),
      );
    },
    onSuccess: () => navigate("/sign-in", { replace: true }),
  });
  if (beginning.data && !beginning.data.open) {
    return (
      <main className="page-state">
        <h1>{say("begin.begin.this-link-was-used", "This link was used")}</h1>
        <p>
          {say(
            "begin.begin.a-supervisor-was-made-with-it",
            "A supervisor was made with it. The administrator gets a new one with",
          )}{" "}
          <code>{say("begin.begin.orthopur-start-recover", "./orthopur start --recover")}</code>.
        </p>
        <a href="/sign-in">{say("begin.begin.sign-in", "Sign in")}</a>
      </main>
    );
  }
  const fields = make.error instanceof ApiProblem ? make.error.fields : [];
  const error = (pointer: string) => fields.find((f) => f.pointer.startsWith(pointer))?.message;
  const figure = (key: string, label: string, description: string) => (
    <NumberInput
      label={label}
      description={description}
      value={water[key]}
      onChange={(v) => setWater({ ...water, [key]: v })}
      error={error(`/mains/${key}`)}
      required
      withAsterisk={false}
    />
  );
  return (
    <main className="page begin">
      <form
        onSubmit={(e) => {
          e.preventDefault();
          make.mutate();
        }}
      >
        <h1>
          {beginning.data?.site === false
            ? say("begin.begin.a-supervisor-for-this-site", "A supervisor for this site")
            : say("begin.begin.this-site-begins", "This site begins")}
        </h1>
        <p className="quiet">
          {say(
            "begin.begin.a-supervisor-writes-and-approves-procedures",
            "A supervisor writes and approves procedures, and makes the accounts of everybody else.",
          )}
        </p>
        <div className="begin-both">
          <fieldset>
            <legend>{say("begin.begin.you", "You")}</legend>
            <TextInput
              label={say("begin.begin.your-name", "Your name")}
              description={say("begin.begin.as-it-is-to-stand-under", "As it is to stand under an approval.")}
              autoComplete="username"
              maxLength={60}
              required
              withAsterisk={false}
              value={name}
              onChange={(e) => setName(e.currentTarget.value)}
            />
            <PasswordInput
              label={say("begin.begin.password", "Password")}
              description={say("begin.begin.8-to-72-letters-to-sign", "8 to 72 letters, to sign in")}
              autoComplete="new-password"
              required
              withAsterisk={false}
              value={password}
              onChange={(e) => setPassword(e.currentTarget.value)}
            />
            <PasswordInput
              label="PIN"
              description={say("begin.begin.six-digits-to-sign-with", "Six digits, to sign with")}
              inputMode="numeric"
              autoComplete="off"
              maxLength={6}
              required
              withAsterisk={false}
              value={pin}
              onChange={(e) => setPin(e.currentTarget.value)}
            />
          </fieldset>
          {beginning.data?.site && (
            <fieldset>
              <legend>{say("begin.begin.the-site", "The site")}</legend>
              <TextInput
                label={say("begin.begin.name-of-the-site", "Name of the site")}
                maxLength={60}
                required
                withAsterisk={false}
                value={site}
                onChange={(e) => setSite(e.currentTarget.value)}
                error={error("/name")}
              />
              <TextInput
                label={say("begin.begin.town", "Town")}
                maxLength={60}
                required
                withAsterisk={false}
                value={town}
                onChange={(e) => setTown(e.currentTarget.value)}
                error={error("/town")}
              />
              <NativeSelect
                label={say("begin.begin.time-zone", "Time zone")}
                data={ZONES.includes(zone) ? ZONES : [zone, ...ZONES]}
                value={zone}
                onChange={(e) => setZone(e.currentTarget.value)}
                error={error("/zone")}
              />
              {figure(
                "temperature",
                say("begin.begin.city-water-temperature-c", "City water temperature, °C"),
                say(
                  "begin.begin.cold-after-running-one-minute-for",
                  "Cold, after running one minute; for example 12",
                ),
              )}
              {figure(
                "hardness",
                say("begin.begin.hardness-mg-l", "Hardness, mg/L"),
                say(
                  "begin.begin.from-your-water-suppliers-report-for",
                  "From your water supplier’s report; for example 310",
                ),
              )}
              {figure(
                "ph",
                "pH",
                say("begin.begin.from-the-same-report-for-example", "From the same report; for example 7.6"),
              )}
            </fieldset>
          )}
        </div>
        {make.error && fields.length === 0 && (
          <p className="note stop" role="alert">
            {message(make.error)}
          </p>
        )}
        {fields.length > 0 && (
          <p className="note stop" role="alert">
            {say(
              "begin.begin.nothing-was-made-yet-look-at",
              "Nothing was made yet. Look at what is marked in red.",
            )}
          </p>
        )}
        <button className="btn main" type="submit" disabled={make.isPending}>
          {make.isPending ? say("begin.begin.making-it", "Making it…") : say("begin.begin.begin", "Begin")}
        </button>
      </form>
    </main>
  );
}

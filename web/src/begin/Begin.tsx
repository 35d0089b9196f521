import { NativeSelect, NumberInput, PasswordInput, TextInput } from "@mantine/core";
import { useMutation, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { useNavigate } from "react-router";
import { ApiProblem, api, message, unwrap } from "../api/client";
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
        <h1>This link was used</h1>
        <p>
          A supervisor was made with it. The administrator gets a new one with{" "}
          <code>./orthopur start --recover</code>.
        </p>
        <a href="/sign-in">Sign in</a>
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
        <h1>{beginning.data?.site === false ? "A supervisor for this site" : "This site begins"}</h1>
        <p className="quiet">
          A supervisor writes and approves procedures, and makes the accounts of everybody else.
        </p>
        <div className="begin-both">
          <fieldset>
            <legend>You</legend>
            <TextInput
              label="Your name"
              description="As it is to stand under an approval."
              autoComplete="username"
              maxLength={60}
              required
              withAsterisk={false}
              value={name}
              onChange={(e) => setName(e.currentTarget.value)}
            />
            <PasswordInput
              label="Password"
              description="8 to 72 letters, to sign in"
              autoComplete="new-password"
              required
              withAsterisk={false}
              value={password}
              onChange={(e) => setPassword(e.currentTarget.value)}
            />
            <PasswordInput
              label="PIN"
              description="Six digits, to sign with"
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
              <legend>The site</legend>
              <TextInput
                label="Name of the site"
                maxLength={60}
                required
                withAsterisk={false}
                value={site}
                onChange={(e) => setSite(e.currentTarget.value)}
                error={error("/name")}
              />
              <TextInput
                label="Town"
                maxLength={60}
                required
                withAsterisk={false}
                value={town}
                onChange={(e) => setTown(e.currentTarget.value)}
                error={error("/town")}
              />
              <NativeSelect
                label="Time zone"
                data={ZONES.includes(zone) ? ZONES : [zone, ...ZONES]}
                value={zone}
                onChange={(e) => setZone(e.currentTarget.value)}
                error={error("/zone")}
              />
              {figure(
                "temperature",
                "City water temperature, °C",
                "Cold, after running one minute; for example 12",
              )}
              {figure("hardness", "Hardness, mg/L", "From your water supplier’s report; for example 310")}
              {figure("ph", "pH", "From the same report; for example 7.6")}
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
            Nothing was made yet. Look at what is marked in red.
          </p>
        )}
        <button className="btn main" type="submit" disabled={make.isPending}>
          {make.isPending ? "Making it…" : "Begin"}
        </button>
      </form>
    </main>
  );
}

import { Checkbox, NativeSelect, PasswordInput, TextInput } from "@mantine/core";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, type Schemas, unwrap } from "../api/client";
import { Dialog } from "../shared/Dialog";
import { useFilters } from "../shared/filters";
import { NotShown, Waiting } from "../shared/PageState";
import { Sign } from "../shared/Sign";
import { say } from "../shared/say";
import { useClock } from "../shared/session";
import { told } from "../shared/texts";
import { SiteArchive } from "./SiteArchive";
import { SiteForm } from "./SiteForm";
import { TabletList } from "./TabletList";
import "./people.css";
import { keys } from "../shared/keys";

type PersonRow = Schemas["PersonView"];

export const ROLES: { value: PersonRow["role"]; label: string }[] = [
  {
    value: "SUPERVISOR",
    label: say(
      "people.people.supervisor-writes-approves-changes-the-site",
      "supervisor: writes, approves, changes the site",
    ),
  },
  { value: "CREW", label: say("people.people.crew-carries-out", "crew: carries out") },
  { value: "QA", label: say("people.people.quality-releases", "quality: releases") },
  { value: "AUDITOR", label: say("people.people.auditor-reads-only", "auditor: reads only") },
];

/** Who works here and what they may do; the site itself; what was changed by whom. */
export default function People() {
  const people = useQuery({ queryKey: keys.people(), queryFn: () => unwrap(api.GET("/api/people")) });
  const changes = useQuery({
    queryKey: keys.supplyChanges(),
    queryFn: () => unwrap(api.GET("/api/supplies/changes")),
  });
  const [filter, set] = useFilters();
  const clock = useClock();
  const picked = people.data?.find((p) => String(p.id) === filter("person"));
  if (people.isError) {
    return (
      <NotShown
        what={say("people.people.people-and-site", "People and site")}
        error={people.error}
        again={() => people.refetch()}
      />
    );
  }
  return (
    <main className="page">
      <div className="page-head">
        <h1>{say("people.people.people-and-site", "People and site")}</h1>
        <span className="grow" />
        <button className="btn main" type="button" onClick={() => set("person", "new")}>
          {say("people.people.new-person", "New person…")}
        </button>
      </div>
      {people.isPending && <Waiting part what={say("people.people.loading", "Loading…")} />}
      <table className="table">
        <thead>
          <tr>
            <th scope="col">{say("people.people.name", "Name")}</th>
            <th scope="col">{say("people.people.role", "Role")}</th>
            <th scope="col">{say("people.people.trained-on", "Trained on")}</th>
            <th scope="col">{say("people.people.age", "Age")}</th>
            <th scope="col">{say("people.people.state", "State")}</th>
            <th scope="col">
              <span className="sr-only">{say("people.people.actions", "Actions")}</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {(people.data ?? []).map((p) => (
            <tr key={p.id} className={p.left ? "person-left" : undefined}>
              <th scope="row">{p.name}</th>
              <td>{ROLES.find((r) => r.value === p.role)?.label.replace(/:.*/, "")}</td>
              <td>
                {p.role === "SUPERVISOR"
                  ? say("people.people.answers-for-all", "answers for all")
                  : p.trainedOn.length > 0
                    ? p.trainedOn.join(", ")
                    : "–"}
              </td>
              <td>
                {p.adultFrom
                  ? say("people.people.under-18-until", "under 18 until {0}", p.adultFrom)
                  : say("people.people.of-age", "of age")}
              </td>
              <td>
                {p.left ? say("people.people.left", "left") : say("people.people.active", "active")}
                {p.sameAs ? say("people.people.second-account-of", ", second account of {0}", p.sameAs) : ""}
              </td>
              <td>
                <button
                  className="btn small"
                  type="button"
                  aria-label={say("people.people.change-this", "Change {0}", p.name)}
                  onClick={() => set("person", String(p.id))}
                >
                  {say("people.people.change", "Change…")}
                </button>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <TabletList />
      <SiteForm />
      <SiteArchive />
      <h2>{say("people.people.what-was-changed", "What was changed")}</h2>
      {changes.data?.length === 0 && (
        <p className="quiet">
          {say("people.people.nothing-yet-since-this-site-was", "Nothing yet since this site was set up.")}
        </p>
      )}
      <ul className="site-log">
        {(changes.data ?? []).slice(0, 100).map((c, i) => (
          <li key={`${c.at}-${i}`}>
            <span>
              {clock.day(c.at)} {clock.time(c.at)}
            </span>
            <b>{c.what}</b>
            <span>{say("people.people.by", "by {0}", c.who)}</span>
          </li>
        ))}
      </ul>
      {(filter("person") === "new" || picked) && (
        <EditPerson key={filter("person")} person={picked ?? null} onClose={() => set("person", "")} />
      )}
    </main>
  );
}

function EditPerson({ person, onClose }: { person: PersonRow | null; onClose: () => void }) {
  const queries = useQueryClient();
  const [name, setName] = useState(person?.name ?? "");
  const [role, setRole] = useState<PersonRow["role"]>(person?.role ?? "CREW");
  const [adultFrom, setAdult] = useState(person?.adultFrom ?? "");
  const [sameAs, setSameAs] = useState(person?.sameAs ?? "");
  const machines = useQuery({ queryKey: keys.machines(), queryFn: () => unwrap(api.GET("/api/machines")) });
  const [trainedOn, setTrained] = useState(person?.trainedOn ?? []);
  const [left, setLeft] = useState(person?.left ?? false);
  const [password, setPassword] = useState("");
  const [newPin, setNewPin] = useState(false);
  const save = useMutation({
    mutationFn: (signature: string) =>
      person
        ? unwrap(
            api.PUT("/api/people/{id}", {
              params: { path: { id: person.id } },
              body: {
                name,
                role,
                left,
                adultFrom: adultFrom || undefined,
                sameAs: sameAs || undefined,
                trainedOn,
                password: password || undefined,
                newPin,
                signature,
              },
            }),
          )
        : unwrap(
            api.POST("/api/people", {
              body: {
                name,
                role,
                password,
                adultFrom: adultFrom || undefined,
                sameAs: sameAs || undefined,
                trainedOn,
                signature,
              },
            }),
          ),
    onSuccess: () => {
      queries.invalidateQueries({ queryKey: keys.people() });
      queries.invalidateQueries({ queryKey: keys.supplyChanges() });
      onClose();
    },
  });
  return (
    <Dialog
      title={person ? person.name : say("people.people.a-new-person", "A new person")}
      onClose={onClose}
    >
      <Sign
        save={save}
        ready
        pinLabel={say("people.people.your-own-pin-to-sign-this", "Your own PIN, to sign this")}
        onClose={onClose}
      >
        <TextInput
          label={say("people.people.name", "Name")}
          description={
            person
              ? say(
                  "people.people.records-show-the-new-one-somebody",
                  "Records show the new one. Somebody who wants to be named no more gets another, as “Former 7”.",
                )
              : undefined
          }
          value={name}
          maxLength={60}
          required
          onChange={(e) => setName(e.currentTarget.value)}
        />
        <NativeSelect
          label={say("people.people.role", "Role")}
          data={ROLES}
          value={role}
          onChange={(e) => setRole(e.currentTarget.value as PersonRow["role"])}
        />
        <TextInput
          type="date"
          label={say("people.people.18-from", "18 from")}
          description={say(
            "people.people.only-for-somebody-under-18-and",
            "Only for somebody under 18, and kept only until then. No date of birth is stored.",
          )}
          value={adultFrom}
          onChange={(e) => setAdult(e.currentTarget.value)}
        />
        <TextInput
          label={say("people.people.second-account-of-2", "Second account of")}
          description={say(
            "people.people.the-name-of-this-persons-other",
            "The name of this person’s other account; who cleaned with one does not release with the other.",
          )}
          maxLength={60}
          value={sameAs}
          onChange={(e) => setSameAs(e.currentTarget.value)}
        />
        {role === "CREW" && (machines.data?.length ?? 0) > 0 && (
          <Checkbox.Group
            label={say("people.people.trained-on", "Trained on")}
            description={say(
              "people.people.trained-people-start-rounds-there-others",
              "Trained people start rounds there; others join in. You answer for it with your PIN.",
            )}
            value={trainedOn}
            onChange={setTrained}
          >
            <div className="trained">
              {machines.data?.map((m) => (
                <Checkbox key={m.code} value={m.code} label={`${m.code} ${told(m.name)}`} />
              ))}
            </div>
          </Checkbox.Group>
        )}
        <PasswordInput
          label={
            person
              ? say("people.people.new-password", "New password")
              : say("people.people.password", "Password")
          }
          description={
            person
              ? say("people.people.leave-it-empty-to-keep-the", "Leave it empty to keep the old one.")
              : say("people.people.8-to-72-letters", "8 to 72 letters")
          }
          autoComplete="new-password"
          value={password}
          onChange={(e) => setPassword(e.currentTarget.value)}
        />
        {person ? (
          <Checkbox
            label={say(
              "people.people.the-pin-is-void-they-choose",
              "The PIN is void: they choose another when they sign in next",
            )}
            checked={newPin}
            onChange={(e) => setNewPin(e.currentTarget.checked)}
          />
        ) : (
          <p className="quiet">
            {say(
              "people.people.they-choose-their-pin-themselves-when",
              "They choose their PIN themselves, when they sign in for the first time.",
            )}
          </p>
        )}
        {person && (
          <Checkbox
            label={say("people.people.left-can-no-longer-sign-in", "Left: can no longer sign in or sign")}
            checked={left}
            onChange={(e) => setLeft(e.currentTarget.checked)}
          />
        )}
      </Sign>
    </Dialog>
  );
}

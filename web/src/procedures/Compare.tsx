import { NativeSelect } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { useEffect } from "react";
import { useSearchParams } from "react-router";
import { api, message, type Schemas, unwrap } from "../api/client";
import type { Doc } from "../ribbon/draft";
import type { Mark } from "../ribbon/Ribbon";
import { BECAME } from "../ribbon/words";
import { keys } from "../shared/keys";
import { say } from "../shared/say";
import { told, VERSION_STATES } from "../shared/texts";
import { CameAndWent, SideBySide } from "./Difference";

type Props = {
  doc: Doc;
  row: Schemas["ProcedureRow"];
  onMarks: (marks: Map<string, Mark>) => void;
  onShow: (stepId: string) => void;
};

/** What stands here against another version: what moved, and what that does to the verdict. */
export function Compare({ doc, row, onMarks, onShow }: Props) {
  const [params, setParams] = useSearchParams();
  const rows = useQuery({ queryKey: keys.procedures(), queryFn: () => unwrap(api.GET("/api/procedures")) });
  const versions = (rows.data ?? []).filter((r) => r.id === row.id).sort((a, b) => b.version - a.version);
  const older =
    versions.find((r) => r.version < row.version) ?? versions.find((r) => r.version === row.version);
  const against = Number(params.get("against")) || older?.version || row.version;
  const found = useQuery({
    queryKey: keys.comparison(row.id, against, doc),
    queryFn: ({ signal }) =>
      unwrap(
        api.POST("/api/procedures/{id}/versions/{version}/comparison", {
          params: { path: { id: row.id, version: against } },
          body: doc,
          signal,
        }),
      ),
    placeholderData: (before) => before,
  });
  const d = found.data;
  useEffect(() => {
    onMarks(new Map(d?.steps.filter((s) => s.kind !== "removed").map((s) => [s.id, s.kind as Mark]) ?? []));
  }, [d, onMarks]);
  const name = (v: number) =>
    v === row.version
      ? say("procedures.compare.version-as-it-is-stored", "version {0} as it is stored", v)
      : say("procedures.compare.version", "version {0}", v);
  return (
    <section className="verdict" aria-label={say("procedures.compare.comparison", "Comparison")}>
      <h2>{say("procedures.compare.against-another-version", "Against another version")}</h2>
      <NativeSelect
        label={say("procedures.compare.what-stands-here-is-held-against", "What stands here is held against")}
        value={String(against)}
        data={versions.map((v) => ({
          value: String(v.version),
          label: `${name(v.version)}, ${VERSION_STATES[v.state] ?? v.state}`,
        }))}
        onChange={(e) => {
          const next = new URLSearchParams(params);
          next.set("against", e.currentTarget.value);
          setParams(next, { replace: true });
        }}
      />
      {found.isError && (
        <p className="note stop" role="alert">
          {message(found.error)}
        </p>
      )}
      {!d && !found.isError && (
        <p className="page-state">{say("procedures.compare.comparing", "Comparing…")}</p>
      )}
      {d && (
        <>
          <SideBySide
            d={d}
            before={name(against)}
            now={say("procedures.compare.here", "as it stands here")}
          />
          {d.head.length > 0 && (
            <p>
              {say(
                "procedures.compare.different-in-its-head",
                "Different in its head: {0}.",
                d.head.map(told).join(", "),
              )}
            </p>
          )}
          {d.steps.length === 0 && (
            <p className="note">
              {say("procedures.compare.every-step-is-the-same", "Every step is the same.")}
            </p>
          )}
          <ol className="differences steps">
            {d.steps.map((s) => (
              <li key={s.id} className={s.kind}>
                <b>{BECAME[s.kind]}</b>{" "}
                {s.is !== undefined ? (
                  <button type="button" className="link" onClick={() => onShow(s.id)}>
                    {s.was !== undefined && s.was !== s.is
                      ? say("procedures.compare.step-now", "step {0}, now {1}", s.was, s.is)
                      : say("procedures.compare.step", "step {0}", s.is)}
                  </button>
                ) : (
                  say("procedures.compare.step", "step {0}", s.was)
                )}
                {s.parts.length > 0 && <span className="quiet"> ({s.parts.map(told).join(", ")})</span>}
                {s.lineBefore && s.lineBefore !== s.lineNow && <del>{s.lineBefore}</del>}
                {s.lineNow && s.lineBefore !== s.lineNow && <ins>{s.lineNow}</ins>}
              </li>
            ))}
          </ol>
          <CameAndWent d={d} onShow={onShow} />
        </>
      )}
    </section>
  );
}

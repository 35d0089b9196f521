import { NativeSelect, Textarea, TextInput } from "@mantine/core";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useNavigate } from "react-router";
import { ApiProblem, api, message, unwrap } from "../api/client";
import { FromFile } from "../shared/FromFile";
import { useFilters } from "../shared/filters";
import { KINDS } from "../shared/kinds";
import { say } from "../shared/say";
import { useSession } from "../shared/session";
import { piece, sentence, told } from "../shared/texts";
import "./old-text.css";
import { keys } from "../shared/keys";
import { begin, type Taken, typedLines } from "./taken";

/** An old procedure out of the binder, clause by clause: what each was read as, and what it lacks. */
export default function OldText() {
  const session = useSession();
  const machines = useQuery({ queryKey: keys.machines(), queryFn: () => unwrap(api.GET("/api/machines")) });
  const [filter, set] = useFilters();
  const [text, setText] = useState("");
  const [rows, setRows] = useState<Taken[] | null>(null);
  const [title, setTitle] = useState("");
  const [kind, setKind] = useState("daily");
  const navigate = useNavigate();
  const queries = useQueryClient();
  const machine = filter("machine") || machines.data?.[0]?.code || "";
  const read = useMutation({
    mutationFn: () => unwrap(api.POST("/api/old-texts", { body: { machine, text } })),
    onSuccess: (readings) => setRows(begin(readings)),
  });
  const file = useMutation({
    mutationFn: (chosen: File) =>
      unwrap(
        api.POST("/api/old-texts/text", {
          body: chosen as never,
          bodySerializer: (b) => b as never,
          headers: { "Content-Type": "application/octet-stream" },
        }),
      ),
    onSuccess: (in_) => {
      setText(in_.text);
      setRows(null);
    },
  });
  const lines = rows === null ? [] : typedLines(rows);
  const make = useMutation({
    mutationFn: () =>
      unwrap(api.POST("/api/old-texts/drafts", { body: { machine, title: title.trim(), kind, lines } })),
    onSuccess: (made) => {
      queries.invalidateQueries({ queryKey: keys.procedures() });
      navigate(`/procedures/${made.id}/${made.version}`);
    },
  });
  const wrong = make.error instanceof ApiProblem ? make.error.fields : [];
  const slips = (at: number) => wrong.filter((p) => p.pointer === `/lines/${at}/line`).map((p) => p.message);

  function put(at: number, line: string | null) {
    make.reset();
    setRows((now) => now?.map((r, i) => (i === at ? { ...r, line } : r)) ?? null);
  }

  if (session.data && session.data.role !== "SUPERVISOR") {
    return (
      <main className="page">
        <h1>{say("procedures.old-text.paste-an-old-procedure", "Paste an old procedure")}</h1>
        <p className="note">
          {say(
            "procedures.old-text.only-a-supervisor-writes-procedures",
            "Only a supervisor writes procedures.",
          )}
        </p>
      </main>
    );
  }
  let step = -1;
  return (
    <main className="page old-text">
      <div className="page-head">
        <h1>{say("procedures.old-text.paste-an-old-procedure", "Paste an old procedure")}</h1>
        <span className="grow" />
        <Link className="btn" to="/procedures">
          {say("procedures.old-text.back-to-the-procedures", "Back to the procedures")}
        </Link>
      </div>
      <p className="quiet">
        {say(
          "procedures.old-text.paste-what-stands-in-the-binder",
          "Paste what stands in the binder, or open its file: Word, OpenDocument, PDF with text, a spreadsheet. A clause becomes a step only where every word of it is understood; any other stays a note beside the step before it. Nothing is guessed: what the text does not say is missing, and the workbench will ask for it.",
        )}
      </p>
      <div className="old-paste">
        <NativeSelect
          label={say("procedures.old-text.machine", "Machine")}
          data={(machines.data ?? []).map((m) => ({ value: m.code, label: `${m.code} ${told(m.name)}` }))}
          value={machine}
          onChange={(e) => {
            set("machine", e.currentTarget.value);
            setRows(null);
          }}
        />
        <Textarea
          label={say("procedures.old-text.the-old-text", "The old text")}
          minRows={rows === null ? 18 : 4}
          maxRows={rows === null ? 24 : 6}
          autosize
          value={text}
          onChange={(e) => setText(e.currentTarget.value)}
        />
        <div className="old-does">
          <FromFile
            name={say("procedures.old-text.old-procedure-as-a-file", "Old procedure as a file")}
            accept=".docx,.odt,.ods,.pdf,.xlsx,.csv,.txt"
            disabled={file.isPending}
            onFile={(chosen) => file.mutate(chosen)}
          >
            {file.isPending
              ? say("procedures.old-text.opening", "Opening…")
              : say("procedures.old-text.from-a-file", "From a file…")}
          </FromFile>
          <button
            className={rows === null ? "btn main" : "btn"}
            type="button"
            disabled={text.trim() === "" || !machine || read.isPending}
            onClick={() => read.mutate()}
          >
            {read.isPending
              ? say("procedures.old-text.reading", "Reading…")
              : rows === null
                ? say("procedures.old-text.read-it", "Read it")
                : say("procedures.old-text.read-again", "Read again")}
          </button>
        </div>
      </div>
      {file.isSuccess && rows === null && (
        <p className="quiet" role="status">
          {say(
            "procedures.old-text.lines-of",
            "{0}: {1, plural, one {# line} other {# lines}}. Look whether all of it is there, then read it.",
            file.variables.name,
            file.data.lines,
          )}
        </p>
      )}
      {file.isError && (
        <p className="note stop" role="alert">
          {file.variables.name}: {message(file.error)}
        </p>
      )}
      {read.isError && (
        <p className="note stop" role="alert">
          {message(read.error)}
        </p>
      )}
      {rows !== null && (
        <>
          <p role="status" className="old-count">
            {say(
              "procedures.old-text.steps-and-notes",
              "{0, plural, one {# step} other {# steps}}, {1, plural, one {# note} other {# notes}}",
              lines.length,
              rows.length - lines.length,
            )}
          </p>
          <ol className="old-rows">
            {rows.map(({ line, reading }, i) => {
              const typed = line !== null;
              step += typed ? 1 : 0;
              const place = step;
              return (
                <li key={`${reading.line}-${i}`} className={typed ? "old-step" : "old-note"}>
                  <span className="old-line">{reading.line}</span>
                  <q className="old-said">{reading.text}</q>
                  {typed ? (
                    <div className="old-read">
                      <TextInput
                        aria-label={say(
                          "procedures.old-text.step-from-line",
                          "Step from line {0}",
                          reading.line,
                        )}
                        value={line}
                        error={slips(place).join(" ") || undefined}
                        onChange={(e) => put(i, e.currentTarget.value)}
                      />
                      {reading.missing.length > 0 && line === reading.notation && (
                        <span className="old-missing">
                          {say(
                            "procedures.old-text.not-stated",
                            "Not stated: {0}",
                            reading.missing.map(piece).join(", "),
                          )}
                        </span>
                      )}
                    </div>
                  ) : (
                    <span className="old-why">
                      {reading.why
                        ? sentence(reading.why)
                        : say("procedures.old-text.left-as-a-note", "Left as a note.")}
                    </span>
                  )}
                  <button
                    className="btn small"
                    type="button"
                    onClick={() => put(i, typed ? null : (reading.notation ?? ""))}
                  >
                    {typed
                      ? say("procedures.old-text.keep-it-as-a-note", "Keep it as a note")
                      : say("procedures.old-text.type-it-as-a-step", "Type it as a step")}
                  </button>
                </li>
              );
            })}
          </ol>
          <div className="old-make">
            <TextInput
              label={say("procedures.old-text.title-of-the-procedure", "Title of the procedure")}
              value={title}
              maxLength={120}
              error={wrong.find((p) => p.pointer === "/title")?.message}
              onChange={(e) => setTitle(e.currentTarget.value)}
            />
            <NativeSelect
              label={say("procedures.old-text.frequency", "Frequency")}
              data={KINDS}
              value={kind}
              onChange={(e) => setKind(e.currentTarget.value)}
            />
            <button
              className="btn main"
              type="button"
              disabled={lines.length === 0 || title.trim() === "" || make.isPending}
              onClick={() => make.mutate()}
            >
              {say("procedures.old-text.make-it-a-draft", "Make it a draft")}
            </button>
          </div>
          {make.isError && (
            <p className="note stop" role="alert">
              {wrong.length > 0
                ? say(
                    "procedures.old-text.nothing-was-stored",
                    "Nothing was stored: {0, plural, one {# place is} other {# places are}} not understood.",
                    wrong.length,
                  )
                : message(make.error)}
            </p>
          )}
        </>
      )}
    </main>
  );
}

import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { useParams } from "react-router";
import { ApiProblem, api, message, type Schemas, unwrap } from "../api/client";
import { keys } from "../shared/keys";
import { NotShown, Waiting } from "../shared/PageState";
import { say } from "../shared/say";
import { useSession } from "../shared/session";
import { told } from "../shared/texts";
import "./languages.css";

type Row = Schemas["TextRow"];

/** A document in two languages, side by side; what was entered is kept in this browser until it is saved. */
export default function TwoLanguages() {
  const { code = "", document = "" } = useParams();
  const found = useQuery({
    queryKey: keys.translation(code, document),
    queryFn: () =>
      unwrap(api.GET("/api/languages/{code}/documents/{document}", { params: { path: { code, document } } })),
  });
  if (found.isError) {
    return (
      <NotShown
        what={say("languages.two.cannot-be-shown", "These texts cannot be shown")}
        error={found.error}
        again={() => found.refetch()}
      />
    );
  }
  if (!found.data) {
    return <Waiting what={say("languages.two.loading", "Loading the texts in both languages…")} />;
  }
  return <Both key={`${code} ${document}`} code={code} of={found.data} />;
}

const kept = (code: string, document: string) => `said:${code}:${document}`;

function Both({ code, of }: { code: string; of: Schemas["TwoLanguages"] }) {
  const queries = useQueryClient();
  const mayWrite = useSession().data?.role === "SUPERVISOR";
  const place = kept(code, of.document);
  const [mine, setMine] = useState<Record<string, string>>(() =>
    JSON.parse(localStorage.getItem(place) ?? "{}"),
  );
  const [only, setOnly] = useState(false);
  const missing = of.rows.filter((r) => r.said === undefined);
  const put = (next: Record<string, string>) => {
    setMine(next);
    if (Object.keys(next).length > 0) {
      localStorage.setItem(place, JSON.stringify(next));
    } else {
      localStorage.removeItem(place);
    }
  };
  const save = useMutation({
    mutationFn: () =>
      unwrap(
        api.PUT("/api/languages/{code}/documents/{document}", {
          params: { path: { code, document: of.document } },
          body: { texts: mine },
        }),
      ),
    onSuccess: (next) => {
      put({});
      queries.setQueryData(keys.translation(code, of.document), next);
    },
  });
  const wrong = save.error instanceof ApiProblem ? save.error.fields : [];
  const changed = Object.keys(mine).length;
  const shown = only ? of.rows.filter((r) => r.said === undefined || mine[r.path] !== undefined) : of.rows;
  return (
    <main className="languages">
      <header className="languages-head">
        <div>
          <h1>{say("languages.two.title", "{0} in {1}", told(of.title), of.language)}</h1>
          <p className="quiet">
            {missing.length === 0
              ? say("languages.two.all", "All {0} texts are translated.", of.rows.length)
              : say(
                  "languages.two.missing",
                  "{0, plural, one {# text is} other {# texts are}} shown in English of {1}.",
                  missing.length,
                  of.rows.length,
                )}{" "}
            {say(
              "languages.two.caution",
              "Cleaners work by these words: have somebody read them who speaks the language and knows the machine.",
            )}
          </p>
        </div>
        <label className="only">
          <input type="checkbox" checked={only} onChange={() => setOnly(!only)} />
          {say("languages.two.only", "Only what is missing")}
        </label>
        {mayWrite && (
          <button
            className="btn main"
            type="button"
            disabled={changed === 0 || save.isPending}
            onClick={() => save.mutate()}
          >
            {changed === 0
              ? say("languages.two.saved", "Saved")
              : say("languages.two.save", "Save {0, plural, one {# text} other {# texts}}", changed)}
          </button>
        )}
      </header>
      {save.isError && (
        <p className="note stop" role="alert">
          {message(save.error)}
        </p>
      )}
      {shown.length === 0 ? (
        <p className="page-state">{say("languages.two.nothing", "Nothing is missing.")}</p>
      ) : (
        <table className="languages-texts">
          <thead>
            <tr>
              <th>{say("languages.two.where", "Where")}</th>
              <th>{say("languages.two.english", "English")}</th>
              <th>{of.language}</th>
            </tr>
          </thead>
          <tbody>
            {shown.map((r) => (
              <OneText
                key={r.path}
                row={r}
                code={code}
                language={of.language}
                mine={mine[r.path]}
                problem={wrong.find((w) => w.pointer === `/texts/${r.path}`)?.message}
                onPut={
                  mayWrite
                    ? (text) => {
                        const { [r.path]: _, ...rest } = mine;
                        put(text === (r.said ?? "") ? rest : { ...rest, [r.path]: text });
                      }
                    : undefined
                }
              />
            ))}
          </tbody>
        </table>
      )}
    </main>
  );
}

type OneProps = {
  row: Row;
  code: string;
  language: string;
  mine: string | undefined;
  problem: string | undefined;
  onPut: ((text: string) => void) | undefined;
};

function OneText({ row, code, language, mine, problem, onPut }: OneProps) {
  const of = FIELDS.get(row.field) ?? "";
  const where = placed(row.place);
  const text = mine ?? row.said ?? "";
  return (
    <tr className={row.said === undefined ? "missing" : ""}>
      <th scope="row">
        {where || of.replace(/^./, (c) => c.toUpperCase())}
        {where && <small>{of}</small>}
      </th>
      <td lang="en">
        {row.english}
        {row.was !== undefined && (
          <small className="languages-was">
            {say("languages.two.was", "The English was changed. Before: “{0}”", row.was)}
          </small>
        )}
      </td>
      <td>
        {onPut ? (
          <textarea
            lang={code}
            rows={Math.max(1, Math.ceil(Math.max(row.english.length, text.length) / 52))}
            aria-label={say("languages.two.in-language", "{0} in {1}", row.english, language)}
            aria-invalid={problem !== undefined}
            value={text}
            maxLength={2000}
            onChange={(e) => onPut(e.currentTarget.value)}
          />
        ) : (
          <span lang={code}>{row.said ?? "–"}</span>
        )}
        {problem && <small className="languages-wrong">{problem}</small>}
      </td>
    </tr>
  );
}

/** What a text belongs to; nothing where it is the document as a whole. */
function placed(place: string): string {
  if (/^\d+$/.test(place)) {
    return say("languages.two.step", "Step {0}", place);
  }
  return FIELDS.has(place) ? "" : told(place).replace(/^./, (c) => c.toUpperCase());
}

/** What a text is in its place, where the place does not say it. */
const FIELDS = new Map([
  ["words", say("languages.two.field-words", "what is done")],
  ["because", say("languages.two.field-because", "why")],
  ["caution", say("languages.two.field-caution", "caution")],
  ["fastening", say("languages.two.field-fastening", "fastening")],
  ["destination", say("languages.two.field-destination", "where it goes")],
  ["name", say("languages.two.field-name", "name")],
  ["title", say("languages.two.field-title", "title")],
  ["ppe", say("languages.two.field-ppe", "PPE")],
  ["things", say("languages.two.field-things", "what is fetched")],
  ["tool", say("languages.two.field-tool", "tool")],
  ["tools", say("languages.two.field-tool", "tool")],
  ["brush", say("languages.two.field-brush", "brush")],
  ["who", say("languages.two.field-who", "who answers")],
  ["place", say("languages.two.field-vessel", "vessel")],
  ["places", say("languages.two.field-vessel", "vessel")],
  ["materials", say("languages.two.field-materials", "material")],
  ["soils", say("languages.two.field-soils", "soil")],
  ["allergens", say("languages.two.field-allergens", "allergen")],
  ["room", say("languages.two.field-room", "room")],
  ["family", say("languages.two.field-family", "kind of machine")],
  ["configuration", say("languages.two.field-configuration", "how it is fitted")],
  ["safePosition", say("languages.two.field-safe-position", "safe position")],
  ["pattern", say("languages.two.field-pattern", "how it is put back")],
  ["wearCheck", say("languages.two.field-wear-check", "check for wear")],
  ["isolationPoint", say("languages.two.field-isolation-point", "lockout point")],
  ["verify", say("languages.two.field-verify", "how zero energy is verified")],
  ["endReason", say("languages.two.field-end-reason", "why it ends so")],
  ["cure", say("languages.two.field-cure", "cure")],
  ["means", say("languages.two.field-means", "what it means")],
  ["then", say("languages.two.field-then", "what to do")],
  ["look", say("languages.two.field-look", "look for")],
  ["symptom", say("languages.two.field-symptom", "symptom")],
]);

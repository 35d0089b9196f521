import { TextInput } from "@mantine/core";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect, useMemo, useState } from "react";
import { Link, useNavigate, useParams, useSearchParams } from "react-router";
import { api, type FieldProblem, inWords, message, unwrap } from "../api/client";
import { Dialog } from "../shared/Dialog";
import { Effect } from "../shared/Effect";
import { begin, change, type History, redo, undo } from "../shared/history";
import { NotShown, Waiting } from "../shared/PageState";
import { Sign } from "../shared/Sign";
import { say } from "../shared/say";
import { useSession } from "../shared/session";
import { sentence, told } from "../shared/texts";
import { LISTS } from "./labels";
import { SchemaForm } from "./SchemaForm";
import {
  at,
  EMPTY,
  FRESH,
  idFor,
  idsOf,
  type Json,
  put,
  type Schema,
  schemaAt,
  type Tree,
  without,
} from "./sheet";
import "./sheets.css";
import { keys } from "../shared/keys";

/** A machine's sheet, from an empty one, a copy, or as it stands; checked while it is written. */
export default function SheetEditor() {
  const { code = "" } = useParams();
  const [params] = useSearchParams();
  const source = code === "new" ? params.get("from") : code;
  const session = useSession();
  const schema = useQuery({
    queryKey: keys.schema("sheet"),
    queryFn: async () =>
      (await unwrap(
        api.GET("/api/schemas/{name}", { params: { path: { name: "sheet" } } }),
      )) as unknown as Schema,
    staleTime: Number.POSITIVE_INFINITY,
  });
  const sheet = useQuery({
    queryKey: keys.sheetFile(source),
    enabled: source !== null,
    queryFn: async () =>
      (await unwrap(
        api.GET("/api/machines/{code}/sheet", { params: { path: { code: source ?? "" } } }),
      )) as unknown as Tree,
    staleTime: Number.POSITIVE_INFINITY,
  });
  const failed = [schema, sheet].find((q) => q.isError);
  if (failed) {
    return (
      <NotShown
        what={say("sheets.sheet-editor.this-sheet-cannot-be-shown", "This sheet cannot be shown")}
        error={failed.error}
        again={() => failed.refetch()}
      />
    );
  }
  if (session.data && session.data.role !== "SUPERVISOR") {
    return (
      <main className="page">
        <p className="note">
          {say(
            "sheets.sheet-editor.only-a-supervisor-writes-machine-sheets",
            "Only a supervisor writes machine sheets.",
          )}
        </p>
      </main>
    );
  }
  if (!schema.data || (source !== null && !sheet.data)) {
    return <Waiting what={say("sheets.sheet-editor.loading-the-sheet", "Loading the sheet…")} />;
  }
  const first = sheet.data ?? EMPTY;
  return (
    <Editor
      key={`${code}-${source}-${first.version}`}
      schema={schema.data}
      first={
        code === "new" && sheet.data
          ? { ...first, code: "", name: say("sheets.sheet-editor.copy", "{0}, copy", String(first.name)) }
          : first
      }
      before={code === "new" ? 0 : Number(first.version)}
      kept={`sheet:${code}:${source ?? ""}`}
    />
  );
}

type Props = { schema: Schema; first: Tree; before: number; kept: string };

function Editor({ schema, first, before, kept }: Props) {
  const [params, setParams] = useSearchParams();
  const navigate = useNavigate();
  const queries = useQueryClient();
  const [history, setHistory] = useState<History<Tree>>(() => {
    const stored = localStorage.getItem(kept);
    return stored ? change(begin(first), JSON.parse(stored) as Tree) : begin(first);
  });
  const sheet = history.now;
  const changed = useMemo(() => JSON.stringify(sheet) !== JSON.stringify(first), [sheet, first]);
  useEffect(() => {
    if (changed) {
      localStorage.setItem(kept, JSON.stringify(sheet));
    } else {
      localStorage.removeItem(kept);
    }
  }, [changed, kept, sheet]);
  const [signing, setSigning] = useState(false);
  const pointer = params.get("at") ?? "";
  const go = (to: string) =>
    setParams(to ? { ...Object.fromEntries(params), at: to } : {}, { replace: true });
  const chemicals = useQuery({
    queryKey: keys.chemicals(),
    queryFn: () => unwrap(api.GET("/api/chemicals")),
  });
  const check = useQuery({
    queryKey: keys.sheetCheck(sheet),
    queryFn: ({ signal }) => unwrap(api.POST("/api/sheets/check", { body: sheet as never, signal })),
    placeholderData: (was) => was,
  });
  const effect = useQuery({
    queryKey: keys.sheetEffect(sheet),
    enabled: signing,
    queryFn: async () => {
      const found = await unwrap(api.POST("/api/sheets/check", { body: sheet as never }));
      return found.effect ?? { approved: 0, lost: [] };
    },
  });
  const save = useMutation({
    mutationFn: (pin: string) =>
      unwrap(
        api.PUT("/api/machines/{code}/sheet", {
          params: { path: { code: String(sheet.code) }, header: { "If-Match": `"${before}"` } },
          body: { document: sheet as never, pin },
        }),
      ),
    onSuccess: (saved) => {
      localStorage.removeItem(kept);
      for (const key of ["machines", "sheet", "sheet-file", "map", "uncovered", "procedures"]) {
        queries.invalidateQueries({ queryKey: [key] });
      }
      navigate(`/machines/${saved.code}`);
    },
  });
  const problems: FieldProblem[] = inWords(check.data?.problems ?? []);
  const lost = check.data?.effect?.lost.length ?? 0;

  function set(where: string, value: Json | undefined) {
    setHistory((h) => change(h, put(h.now, where, value) as Tree, value === undefined ? null : where));
  }

  useEffect(() => {
    const onKey = (e: globalThis.KeyboardEvent) => {
      const typing = e.target instanceof HTMLElement && e.target.closest("input, textarea, select") !== null;
      if ((e.ctrlKey || e.metaKey) && !typing && e.key.toLowerCase() === "z") {
        e.preventDefault();
        setHistory(e.shiftKey ? redo : undo);
      }
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, []);

  return (
    <main className="page sheet-editor">
      <div className="page-head">
        <h1>{String(sheet.code) || say("sheets.sheet-editor.new-machine", "New machine")}</h1>
        <span className="quiet">{String(sheet.name)}</span>
        <span className="grow" />
        <button
          className="btn"
          type="button"
          disabled={history.past.length === 0}
          onClick={() => setHistory(undo)}
        >
          {say("sheets.sheet-editor.undo", "Undo")}
        </button>
        <button
          className="btn"
          type="button"
          disabled={history.future.length === 0}
          onClick={() => setHistory(redo)}
        >
          {say("sheets.sheet-editor.redo", "Redo")}
        </button>
        {before > 0 && (
          <Link className="btn" to={`/machines/new/sheet?from=${sheet.code}`}>
            {say("sheets.sheet-editor.copy-to-a-new-machine", "Copy to a new machine")}
          </Link>
        )}
        <button
          className="btn main"
          type="button"
          disabled={!changed || problems.length > 0 || check.isPlaceholderData || !check.data}
          onClick={() => setSigning(true)}
        >
          {say("sheets.sheet-editor.sign-and-save", "Sign and save…")}
        </button>
      </div>
      <div className="sheet-body">
        <nav
          aria-label={say("sheets.sheet-editor.parts-of-the-sheet", "Parts of the sheet")}
          className="sheet-tree"
        >
          <TreeItem
            pointer=""
            at={pointer}
            name={say("sheets.sheet-editor.the-machine", "The machine")}
            problems={problems}
            exact
            onGo={go}
          />
          {LISTS.map(([key, title, one]) => (
            <List key={key} field={key} title={title} one={one} {...{ sheet, pointer, problems, go, set }} />
          ))}
        </nav>
        <section className="sheet-form" aria-label={say("sheets.sheet-editor.fields", "Fields")}>
          <Form
            {...{ sheet, schema, pointer, problems, go, set }}
            chemicals={chemicals.data ?? []}
            code={before === 0}
          />
        </section>
        <aside
          className="sheet-check"
          aria-label={say("sheets.sheet-editor.check", "Check")}
          aria-live="polite"
        >
          <h2>{say("sheets.sheet-editor.check", "Check")}</h2>
          {check.isError && <p className="note stop">{message(check.error)}</p>}
          {problems.length > 0 ? (
            <ul>
              {problems.slice(0, 30).map((p) => (
                <li key={p.pointer + p.message}>
                  <button className="link" type="button" onClick={() => go(nearest(sheet, p.pointer))}>
                    {spoken(sheet, schema, p.pointer)}
                  </button>
                  <br />
                  {p.message}
                </li>
              ))}
            </ul>
          ) : (
            check.data && (
              <>
                <p className="note done">
                  {say("sheets.sheet-editor.the-sheet-holds-together", "The sheet holds together.")}
                </p>
                <p>
                  {lost === 0
                    ? say(
                        "sheets.sheet-editor.what-is-approved-for-this-machine",
                        "What is approved for this machine passes as before.",
                      )
                    : say(
                        "sheets.sheet-editor.approved-procedures-would-no-longer-pass",
                        "{0, plural, one {# approved procedure} other {# approved procedures}} would no longer pass:",
                        lost,
                      )}
                </p>
                <ul>
                  {check.data.effect?.lost.map((l) => (
                    <li key={l.id}>
                      {told(l.title)}: {l.because.slice(0, 2).map(sentence).join(" ")}
                      {l.because.length > 2 &&
                        say("sheets.sheet-editor.and-more", " (and {0} more)", l.because.length - 2)}
                    </li>
                  ))}
                </ul>
              </>
            )
          )}
        </aside>
      </div>
      {signing && (
        <Dialog
          title={say("sheets.sheet-editor.a-new-version-of-the-sheet", "A new version of the sheet")}
          onClose={() => setSigning(false)}
        >
          <p className="quiet">
            {say(
              "sheets.sheet-editor.approved-procedures-stay-as-they-are",
              "Approved procedures stay as they are; each is judged by the new sheet from now on and says so.",
            )}
          </p>
          <Sign ready={changed} save={save} onClose={() => setSigning(false)}>
            <Effect query={effect} changed={changed} />
          </Sign>
        </Dialog>
      )}
    </main>
  );
}

/** The thing of the sheet in which a pointer lies: a list's item, a surface, or the machine. */
function nearest(sheet: Tree, pointer: string): string {
  const m = /^\/[a-zA-Z]+\/\d+(\/surfaces\/\d+)?/.exec(pointer);
  return m && at(sheet, m[0]) !== undefined ? m[0] : "";
}

function spoken(sheet: Tree, schema: Schema, pointer: string): string {
  const thing = at(sheet, nearest(sheet, pointer)) as Tree | undefined;
  const field = pointer.split("/").at(-1) ?? "";
  const name =
    nearest(sheet, pointer) === ""
      ? say("sheets.sheet-editor.the-machine", "The machine")
      : String(thing?.name || say("sheets.sheet-editor.it", "It"));
  const title = schemaAt(schema, pointer)?.title;
  const label = title && told(title);
  return label && field ? `${name}, ${label.toLowerCase()}` : name;
}

type ItemProps = {
  pointer: string;
  at: string;
  name: string;
  problems: FieldProblem[];
  exact?: boolean;
  onGo: (to: string) => void;
};

function TreeItem(p: ItemProps) {
  const wrong = p.problems.some((x) =>
    p.exact ? !/^\/[a-zA-Z]+\/\d/.test(x.pointer) : x.pointer.startsWith(`${p.pointer}/`),
  );
  return (
    <button
      type="button"
      className="tree-item"
      aria-current={p.at === p.pointer ? "true" : undefined}
      onClick={() => p.onGo(p.pointer)}
    >
      {p.name || say("sheets.sheet-editor.no-name", "(no name)")}
      {wrong && (
        <b className="tree-wrong"> {say("sheets.sheet-editor.has-to-be-fixed", "! has to be fixed")}</b>
      )}
    </button>
  );
}

type Editing = {
  sheet: Tree;
  pointer: string;
  problems: FieldProblem[];
  go: (to: string) => void;
  set: (pointer: string, value: Json | undefined) => void;
};

function List({
  field,
  title,
  one,
  sheet,
  pointer,
  problems,
  go,
  set,
}: Editing & Record<"field" | "title" | "one", string>) {
  const items = (sheet[field] as Tree[] | undefined) ?? [];
  return (
    <details open={field === "parts" || pointer.startsWith(`/${field}/`)}>
      <summary>
        {title} ({items.length})
      </summary>
      <ul>
        {items.map((item, i) => (
          <li key={String(item.id)}>
            <TreeItem
              pointer={`/${field}/${i}`}
              at={pointer}
              name={String(item.name)}
              problems={problems}
              onGo={go}
            />
            {field === "parts" && pointer.startsWith(`/${field}/${i}`) && (
              <ul>
                {((item.surfaces as Tree[]) ?? []).map((s, j) => (
                  <li key={String(s.id)}>
                    <TreeItem
                      pointer={`/${field}/${i}/surfaces/${j}`}
                      at={pointer}
                      name={String(s.name)}
                      problems={problems}
                      onGo={go}
                    />
                  </li>
                ))}
                <li>
                  <Add
                    list={`/${field}/${i}/surfaces`}
                    kind="surfaces"
                    one={say("sheets.sheet-editor.surface", "surface")}
                    {...{ sheet, set, go }}
                  />
                </li>
              </ul>
            )}
          </li>
        ))}
      </ul>
      <Add list={`/${field}`} kind={field} one={one} {...{ sheet, set, go }} />
    </details>
  );
}

type AddProps = Pick<Editing, "sheet" | "set" | "go"> & { list: string; kind: string; one: string };

/** A new thing begins with its name; its id is made of it and stays. */
function Add({ list, kind, one, sheet, set, go }: AddProps) {
  const [name, setName] = useState("");
  const items = (at(sheet, list) as Tree[] | undefined) ?? [];
  function add() {
    if (name.trim()) {
      const fresh = { id: idFor(name, idsOf(sheet)), name: name.trim(), ...FRESH[kind] };
      set(list, [...items, fresh]);
      setName("");
      go(`${list}/${items.length}`);
    }
  }
  return (
    <form
      className="tree-add"
      onSubmit={(e) => {
        e.preventDefault();
        add();
      }}
    >
      <TextInput
        aria-label={say("sheets.sheet-editor.name-of-a-new", "Name of a new {0}", one)}
        placeholder={say("sheets.sheet-editor.new", "New {0}", one)}
        value={name}
        maxLength={120}
        onChange={(e) => setName(e.currentTarget.value)}
      />
      <button className="btn small" type="submit" disabled={name.trim() === ""}>
        {say("sheets.sheet-editor.add", "Add")}
      </button>
    </form>
  );
}

type FormProps = Editing & { schema: Schema; chemicals: { id: string; name: string }[]; code: boolean };

function Form({ sheet, schema, pointer, problems, go, set, chemicals, code }: FormProps) {
  const thing = at(sheet, pointer);
  const own = pointer.split("/");
  const list = own[1];
  const here =
    own[3] === "surfaces"
      ? schema.properties?.parts?.items?.properties?.surfaces?.items
      : list
        ? schema.properties?.[list]?.items
        : schema;
  if (thing === undefined || here === undefined) {
    return (
      <p className="quiet">
        {say("sheets.sheet-editor.pick-something-on-the-left", "Pick something on the left.")}
      </p>
    );
  }
  const aside = list
    ? ["surfaces"].filter(() => list === "parts" && own.length === 3)
    : [...LISTS.map(([key]) => key), "version", "outline", ...(code ? [] : ["code"])];
  return (
    <>
      <div className="page-head">
        <h2>
          {list
            ? String((thing as Tree).name || say("sheets.sheet-editor.no-name-yet", "No name yet"))
            : say("sheets.sheet-editor.the-machine", "The machine")}
        </h2>
        <span className="grow" />
        {list && (
          <button
            className="btn small"
            type="button"
            onClick={() => {
              set("", without(sheet, pointer));
              go(own[3] === "surfaces" ? `/${list}/${own[2]}` : "");
            }}
          >
            {say("sheets.sheet-editor.delete", "Delete")}
          </button>
        )}
      </div>
      <SchemaForm
        sheet={sheet}
        schema={here}
        pointer={pointer}
        without={aside}
        chemicals={chemicals}
        problems={problems}
        onPut={set}
      />
    </>
  );
}

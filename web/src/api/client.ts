import createClient from "openapi-fetch";
import type { components, paths } from "./schema";

export type Schemas = components["schemas"];
export type FieldProblem = { pointer: string; message: string };

/** The same as it comes from the server: in English, and as a sentence by its id. */
type ServerProblem = FieldProblem & { said?: CoreText };

/** A sentence by its id and arguments: numbers, names, figures, lists of them, and sentences. */
export type CoreText = { id: string; english: string; args: unknown[] };

let phrase = (text: CoreText): string => text.english;

/** How a sentence is put into the reader's language; until it is told it is English. */
export const phraseBy = (inWords: (text: CoreText) => string) => {
  phrase = inWords;
};

/** What the server said was wrong, in plain words, with pointers to fields where it has them. */
export class ApiProblem extends Error {
  readonly status: number;
  readonly fields: FieldProblem[];
  readonly said: CoreText | undefined;

  constructor(status: number, message: string, fields: FieldProblem[] = [], said?: CoreText) {
    super(message);
    this.status = status;
    this.fields = fields;
    this.said = said;
  }
}

/** The server could not be reached at all. */
export class Offline extends Error {
  readonly said: CoreText = {
    id: "api.client.offline",
    english: "The server cannot be reached. What you typed is still here.",
    args: [],
  };

  constructor() {
    super("The server cannot be reached. What you typed is still here.");
  }
}

function csrf(): string {
  const found = document.cookie.split("; ").find((c) => c.startsWith("XSRF-TOKEN="));
  return found ? decodeURIComponent(found.slice("XSRF-TOKEN=".length)) : "";
}

export const api = createClient<paths>({
  baseUrl: globalThis.location?.origin ?? "http://localhost",
  headers: { Accept: "application/json" },
  fetch: (request) => globalThis.fetch(request),
});

api.use({
  onRequest({ request }) {
    if (request.method !== "GET") {
      request.headers.set("X-XSRF-TOKEN", csrf());
    }
    return request;
  },
  onError({ error }) {
    return error instanceof DOMException && error.name === "AbortError" ? error : new Offline();
  },
});

/**
 * Sends before anything else happens. The client above hands a request over some promises later, and by then
 * the browser may be busy drawing what was typed.
 */
export async function postNow<T>(path: string, body: unknown, signal: AbortSignal): Promise<T> {
  const asked = globalThis.fetch(path, {
    method: "POST",
    headers: { Accept: "application/json", "Content-Type": "application/json", "X-XSRF-TOKEN": csrf() },
    body: JSON.stringify(body),
    signal,
  });
  let response: Response;
  try {
    response = await asked;
  } catch (e) {
    throw e instanceof DOMException && e.name === "AbortError" ? e : new Offline();
  }
  const said = await response.json().catch(() => undefined);
  return unwrap<T>(Promise.resolve(response.ok ? { data: said, response } : { error: said, response }));
}

type Answer<T> = { data?: T; error?: unknown; response: Response };

/** The data of an answer, or the problem it carries as an error. */
export async function unwrap<T>(promise: Promise<Answer<T>>): Promise<T> {
  const { data, error, response } = await promise;
  if (response.ok) {
    return data as T;
  }
  const problem = (error ?? {}) as { detail?: string; errors?: ServerProblem[]; said?: CoreText };
  throw new ApiProblem(
    response.status,
    problem.detail ?? `The server answered with ${response.status}.`,
    inWords(problem.errors ?? []),
    problem.said ?? (problem.detail ? undefined : answered(response.status)),
  );
}

/** What is wrong with a document, in the reader's language. */
export const inWords = (problems: ServerProblem[]): FieldProblem[] =>
  problems.map((p) => ({ pointer: p.pointer, message: p.said ? phrase(p.said) : p.message }));

const answered = (status: number): CoreText => ({
  id: "api.client.answered",
  english: `The server answered with ${status}.`,
  args: [status],
});

/** What went wrong, in the reader's language. */
export function message(error: unknown): string {
  if ((error instanceof ApiProblem || error instanceof Offline) && error.said) {
    return phrase(error.said);
  }
  return error instanceof Error
    ? error.message
    : phrase({ id: "api.client.unknown", english: "Something went wrong.", args: [] });
}

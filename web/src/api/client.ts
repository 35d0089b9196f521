import createClient from "openapi-fetch";
import type { components, paths } from "./schema";

export type Schemas = components["schemas"];
export type FieldProblem = { pointer: string; message: string };

/** What the server said was wrong, in plain words, with pointers to fields where it has them. */
export class ApiProblem extends Error {
  readonly status: number;
  readonly fields: FieldProblem[];

  constructor(status: number, message: string, fields: FieldProblem[] = []) {
    super(message);
    this.status = status;
    this.fields = fields;
  }
}

/** The server could not be reached at all. */
export class Offline extends Error {
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
  const problem = (error ?? {}) as { detail?: string; errors?: FieldProblem[] };
  throw new ApiProblem(
    response.status,
    problem.detail ?? `The server answered with ${response.status}.`,
    problem.errors ?? [],
  );
}

export function message(error: unknown): string {
  return error instanceof Error ? error.message : "Something went wrong.";
}

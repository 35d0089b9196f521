import { MantineProvider } from "@mantine/core";
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { render } from "@testing-library/react";
import { userEvent } from "@testing-library/user-event";
import type { ReactNode } from "react";
import { createMemoryRouter, RouterProvider } from "react-router";
import { vi } from "vitest";

/* A screen by itself: what the server would answer is written down, what is sent is kept. */

type Answer = unknown | ((body: unknown) => Answer) | Problem;
type Sent = { method: string; path: string; body: unknown };

/** What the server refuses with. */
export class Problem {
  constructor(
    readonly status: number,
    readonly detail: string,
    readonly errors: { pointer: string; message: string }[] = [],
  ) {}
}

/** No network at all. */
export const NO_SIGNAL = Symbol("no signal");

/** Never answers. */
export const WAITS = Symbol("waits");

const SITE = {
  name: "Quillmere Kitchens",
  town: "Tarn Ferry",
  zone: "Europe/London",
  vessels: [],
  ways: {
    regime: "RETAIL",
    rinseAfterSanitizer: false,
    assembledFirst: false,
    language: "en",
    temperatures: "°C",
    secondPersonFrom: "END_OF_SHIFT",
    keepYears: 2,
  },
};

export const MAREN = { name: "Maren Oyelaran", role: "CREW", person: "2" };
export const ILSE = { name: "Ilse Varga", role: "SUPERVISOR", person: "1" };

// A page that is not drawn has no typefaces; what grows with its text listens for them.
Object.defineProperty(document, "fonts", { value: new EventTarget(), configurable: true });

/** The site with other ways. */
export const siteWith = (ways: object) => ({ ...SITE, ways: { ...SITE.ways, ...ways } });

/** Shows something at an address; answers are by "GET /api/…", the site and a session are there unless said otherwise. */
export function show(what: ReactNode, answers: Record<string, Answer> = {}, address = "/", route = "/*") {
  const sent: Sent[] = [];
  const all: Record<string, Answer> = {
    "GET /api/session": MAREN,
    "GET /api/site": SITE,
    "GET /api/languages": [],
    "GET /api/instruments": [],
    ...answers,
  };
  vi.stubGlobal("fetch", async (request: Request) => {
    const path = new URL(request.url).pathname;
    const text = await request.text();
    const json = request.headers.get("Content-Type")?.includes("json");
    const body = text && json ? JSON.parse(text) : text || undefined;
    if (request.method !== "GET") {
      sent.push({ method: request.method, path, body });
    }
    let answer = all[`${request.method} ${path}`];
    if (typeof answer === "function") {
      answer = (answer as (body: unknown) => Answer)(body);
    }
    if (answer === NO_SIGNAL) {
      throw new TypeError("no network");
    }
    if (answer === WAITS) {
      return new Promise(() => undefined);
    }
    const problem = answer instanceof Problem || answer === undefined;
    const said = answer instanceof Problem ? answer : new Problem(404, `No answer for ${path}.`);
    return new Response(JSON.stringify(problem ? { detail: said.detail, errors: said.errors } : answer), {
      status: problem ? said.status : 200,
      headers: { "Content-Type": "application/json" },
    });
  });
  const router = createMemoryRouter(
    [
      { path: route, element: what },
      { path: "*", element: <p>elsewhere</p> },
    ],
    {
      initialEntries: [address],
    },
  );
  const client = new QueryClient({
    defaultOptions: {
      queries: { retry: false, networkMode: "always" },
      mutations: { networkMode: "always" },
    },
  });
  render(
    <MantineProvider env="test">
      <QueryClientProvider client={client}>
        <RouterProvider router={router} />
      </QueryClientProvider>
    </MantineProvider>,
  );
  return { sent, router, user: userEvent.setup({ delay: null }) };
}

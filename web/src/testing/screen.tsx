import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { configure, render } from "@testing-library/react";
import type { ReactNode } from "react";
import { MemoryRouter, Route, Routes } from "react-router";
import type { paths } from "../api/schema";
import { Uploads } from "../features/uploads/Uploads";
import Antd from "../ui/Antd";
import { forgetDrafts } from "../ui/drafts";

// a busy machine takes longer than the usual second
configure({ asyncUtilTimeout: 60_000 });

export type Call = { method: string; path: string; body: unknown };

/** `/api/files/{id}` as a pattern of addresses: `/api/files/${string}`. */
type Pattern<P extends string> = P extends `${infer A}{${string}}${infer B}`
  ? `${A}${string}${Pattern<B>}`
  : P;

/** What an operation answers when all goes well; an object without anything where it answers nothing. */
type Answered<O> = O extends { responses: { 200: { content: infer C } } }
  ? C[keyof C]
  : O extends { responses: { 201: { content: infer C } } }
    ? C[keyof C]
    : O extends { responses: { 202: { content: infer C } } }
      ? C[keyof C]
      : Record<string, never>;

/** As much of an answer as a test needs. */
type Part<T> = T extends readonly (infer E)[]
  ? readonly Part<E>[]
  : T extends object
    ? { [K in keyof T]?: Part<T[K]> }
    : T;

/** The answers of all operations whose method and address fit `GET /api/files/f1?some=thing`. */
type AnswerTo<K> = {
  [P in keyof paths & string]: {
    [M in keyof paths[P] & string]: K extends
      | `${Uppercase<M>} ${Pattern<P>}`
      | `${Uppercase<M>} ${Pattern<P>}?${string}`
      ? Part<Answered<paths[P][M]>>
      : never;
  }[keyof paths[P] & string];
}[keyof paths & string];

type Answer<K> =
  | AnswerTo<K>
  | Refusal
  | Promise<unknown>
  | ((call: Call) => AnswerTo<K> | Refusal | Promise<unknown> | undefined);

/** An answer with another status than 200. */
export class Refusal {
  readonly status: number;
  readonly body: unknown;

  constructor(status: number, body: unknown) {
    this.status = status;
    this.body = body;
  }
}

/** JSON is read; a file that is sent stays as it is. */
function bodyOf(sent: string): unknown {
  return /^\s*[[{"\d]|^(true|false|null)$/.test(sent) ? JSON.parse(sent) : sent;
}

/**
 * Answers the API's requests in a test. Keys are a method and a path, such as `GET /api/files`; what is not named
 * answers 404.
 *
 * @returns the calls that were made, in order
 */
export function serve<const T extends Record<string, unknown>>(
  answers: { [K in keyof T]: Answer<K> },
): Call[] {
  const calls: Call[] = [];
  globalThis.fetch = (async (input: Request | string, init?: RequestInit) => {
    const { method, address, sent } =
      typeof input === "string"
        ? { method: init?.method ?? "GET", address: input, sent: init?.body }
        : {
            method: input.method,
            address: input.url,
            sent: input.method === "GET" ? "" : await input.text(),
          };
    const url = new URL(address, window.location.href);
    const call = {
      method,
      path: url.pathname + url.search,
      body: typeof sent === "string" && sent ? bodyOf(sent) : undefined,
    };
    calls.push(call);
    const known: Record<string, unknown> = answers;
    const found = known[`${call.method} ${call.path}`] ?? known[`${call.method} ${url.pathname}`];
    const result =
      typeof found === "function"
        ? await found(call)
        : (found ?? new Refusal(404, { detail: "There is no such thing." }));
    const [status, body] = result instanceof Refusal ? [result.status, result.body] : [200, result];
    return new Response(JSON.stringify(body), { status, headers: { "Content-Type": "application/json" } });
  }) as typeof fetch;
  return calls;
}

/** Shows an element at an address, as the application would. */
export function show(element: ReactNode, address = "/", route = "*") {
  forgetDrafts();
  const queries = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  return render(
    <MemoryRouter initialEntries={[address]}>
      <QueryClientProvider client={queries}>
        <Antd config={{ theme: { token: { motion: false } } }}>
          <div id="where" />
          <Uploads>
            <Routes>
              <Route path={route} element={element} />
            </Routes>
          </Uploads>
        </Antd>
      </QueryClientProvider>
    </MemoryRouter>,
  );
}

export const PRACTICE = {
  name: "Oakhollin Riding & Therapy Yard",
  address: "3 Fen Lane, Oakhollin",
  colour: "#3b4f63",
  languages: ["en"],
  today: "2026-11-25",
  zone: "Europe/Vienna",
  dayOrder: "DAY_FIRST" as "DAY_FIRST" | "MONTH_FIRST",
  weekStart: 1,
  uploadLimit: 52_428_800,
};

export const OTTILIE = {
  id: "a1",
  name: "Ottilie Brandmoor",
  email: "ottilie@oakhollin.example",
  role: "ADMINISTRATOR",
  mayChange: true,
  seesSensitive: true,
  marking: "OPENS_COVERS",
  hasOwnFile: true,
  lockedTo: [] as string[],
} as const;

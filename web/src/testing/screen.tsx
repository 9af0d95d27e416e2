import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { configure, render } from "@testing-library/react";
import { App as AntApp, ConfigProvider } from "antd";
import type { ReactNode } from "react";
import { MemoryRouter, Route, Routes } from "react-router";

// a busy machine takes longer than the usual second
configure({ asyncUtilTimeout: 6_000 });

export type Call = { method: string; path: string; body: unknown };
type Answers = Record<string, unknown | ((call: Call) => unknown)>;

/** An answer with another status than 200. */
export class Refusal {
  readonly status: number;
  readonly body: unknown;

  constructor(status: number, body: unknown) {
    this.status = status;
    this.body = body;
  }
}

/**
 * Answers the API's requests in a test. Keys are a method and a path, such as `GET /api/files`; what is not named
 * answers 404.
 *
 * @returns the calls that were made, in order
 */
export function serve(answers: Answers): Call[] {
  const calls: Call[] = [];
  globalThis.fetch = (async (input: Request) => {
    const url = new URL(input.url);
    const text = input.method === "GET" ? "" : await input.text();
    const call = {
      method: input.method,
      path: url.pathname + url.search,
      body: text ? JSON.parse(text) : undefined,
    };
    calls.push(call);
    const found = answers[`${call.method} ${call.path}`] ?? answers[`${call.method} ${url.pathname}`];
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
  const queries = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  return render(
    <ConfigProvider theme={{ token: { motion: false } }}>
      <AntApp>
        <div id="where" />
        <QueryClientProvider client={queries}>
          <MemoryRouter initialEntries={[address]}>
            <Routes>
              <Route path={route} element={element} />
            </Routes>
          </MemoryRouter>
        </QueryClientProvider>
      </AntApp>
    </ConfigProvider>,
  );
}

export const PRACTICE = {
  name: "Oakhollin Riding & Therapy Yard",
  colour: "#3b4f63",
  today: "2026-11-25",
  uploadLimit: 52_428_800,
};

export const OTTILIE = {
  id: "a1",
  name: "Ottilie Brandmoor",
  email: "ottilie@oakhollin.example",
  role: "ADMINISTRATOR",
  mayChange: true,
  seesSensitive: true,
};

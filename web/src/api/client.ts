import createClient from "openapi-fetch";
import type { components, paths } from "./schema";
import { sessionEnded } from "./session";

/** The shapes of the API, by name. */
export type Shape<N extends keyof components["schemas"]> = components["schemas"][N];

export type FieldProblem = { field: string; message: string };

/** A refusal of the server, or a lost connection, in words for the person at the screen. */
export class Problem extends Error {
  readonly status: number;
  readonly code: string;
  readonly fields: FieldProblem[];
  readonly more: Record<string, unknown>;

  constructor(
    status: number,
    code: string,
    words: string,
    fields: FieldProblem[],
    more: Record<string, unknown>,
  ) {
    super(words);
    this.status = status;
    this.code = code;
    this.fields = fields;
    this.more = more;
  }
}

/** Reads an RFC 9457 problem from the text of an answer, which may be empty or something else altogether. */
export function problemOf(status: number, text: string): Problem {
  let body: Record<string, unknown> = {};
  try {
    body = JSON.parse(text);
  } catch {
    // no JSON: only the status is known
  }
  const words =
    typeof body.detail === "string"
      ? body.detail
      : `The server answered with an error (${status}). Try again.`;
  const fields = Array.isArray(body.problems) ? (body.problems as FieldProblem[]) : [];
  return new Problem(status, typeof body.code === "string" ? body.code : "", words, fields, body);
}

export function csrfToken(): string {
  return /(?:^|; )XSRF-TOKEN=([^;]*)/.exec(document.cookie)?.[1] ?? "";
}

export const api = createClient<paths>({
  baseUrl: window.location.origin,
  fetch: async (request) => {
    const again = request.clone();
    const response = await globalThis.fetch(request);
    const isAboutSession = /^\/api\/session(\/|$)/.test(new URL(request.url).pathname);
    if (response.status !== 401 || isAboutSession || !(await sessionEnded())) {
      return response;
    }
    if (again.method !== "GET") {
      again.headers.set("X-XSRF-TOKEN", csrfToken());
    }
    return globalThis.fetch(again);
  },
});

api.use({
  onRequest({ request }) {
    if (request.method !== "GET") {
      request.headers.set("X-XSRF-TOKEN", csrfToken());
      const asOf = new URLSearchParams(window.location.search).get("asOf");
      // the server refuses changes from a page that looks at another day
      if (asOf) {
        request.headers.set("X-As-Of", asOf);
      }
    }
    return request;
  },
  async onResponse({ response }) {
    if (!response.ok) {
      throw problemOf(response.status, await response.text());
    }
    return response;
  },
  onError() {
    return new Problem(
      0,
      "unreachable",
      "The server cannot be reached. Nothing was saved; try again in a moment.",
      [],
      {},
    );
  },
});

/** The body of an answer that has one. */
export async function answer<T>(call: Promise<{ data?: T }>): Promise<T> {
  const { data } = await call;
  if (data === undefined) {
    throw problemOf(0, "");
  }
  return data;
}

/** Waits for an answer that has no body. */
export async function done(call: Promise<unknown>): Promise<void> {
  await call;
}

export function wordsOf(error: unknown): string {
  return error instanceof Error ? error.message : "Something failed. Try again.";
}

/** The message about one field, if the error has one. */
export function fieldWords(error: unknown, field: string): string | undefined {
  return error instanceof Problem ? error.fields.find((f) => f.field.endsWith(field))?.message : undefined;
}

import { cleanup, fireEvent, screen, waitFor } from "@testing-library/react";
import { afterEach, expect, test } from "vitest";
import { show } from "../../testing/screen";
import { ImportPeople } from "./ImportPeople";

afterEach(cleanup);

const LOOKED = {
  applied: false,
  fresh: 1,
  existing: 1,
  refused: 1,
  lines: [
    { line: 4, name: "Unit Seven", outcome: "refused", words: "“robot” is no kind of file" },
    { line: 3, name: "Tamsin Korhola", outcome: "exists", words: "has the file E-0147" },
    { line: 2, name: "Mirela Dascu", outcome: "new" },
  ],
};

/** Answers what the page sends by itself, without the client of the API. */
function answers(...results: { status: number; body: object }[]): string[] {
  const asked: string[] = [];
  globalThis.fetch = (async (url: string) => {
    asked.push(String(url));
    const { status, body } = results[Math.min(asked.length, results.length) - 1] ?? { status: 500, body: {} };
    return new Response(JSON.stringify(body), { status });
  }) as typeof fetch;
  return asked;
}

function drop() {
  const input = document.querySelector('input[type="file"]') as HTMLInputElement;
  fireEvent.change(input, {
    target: { files: [new File(["Kind,Family name"], "people.csv", { type: "text/csv" })] },
  });
}

test("what each line does is shown before anything is made", async () => {
  const asked = answers({ status: 200, body: LOOKED }, { status: 200, body: { ...LOOKED, applied: true } });
  show(<ImportPeople />, "/set-up/people");
  drop();
  expect(await screen.findByText("“robot” is no kind of file")).toBeTruthy();
  expect(screen.getByText("1 new")).toBeTruthy();
  expect(screen.getByText("has the file E-0147")).toBeTruthy();
  expect(asked).toEqual(["/api/set-up/people?apply=false"]);
  fireEvent.click(screen.getByText("Make 1 file"));
  expect(await screen.findByText("Look at the files")).toBeTruthy();
  await waitFor(() => expect(asked[1]).toBe("/api/set-up/people?apply=true"));
});

test("a list that cannot be read says where", async () => {
  answers({ status: 422, body: { detail: "Line 2 is not UTF-8." } });
  show(<ImportPeople />, "/set-up/people");
  drop();
  expect(await screen.findByText("Line 2 is not UTF-8.")).toBeTruthy();
});

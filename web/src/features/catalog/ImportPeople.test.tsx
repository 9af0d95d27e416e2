import { cleanup, fireEvent, screen, waitFor } from "@testing-library/react";
import { afterEach, expect, test } from "vitest";
import { type Call, Refusal, serve, show } from "../../testing/screen";
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

function sent(calls: Call[]): string[] {
  return calls.filter((call) => call.method === "POST").map((call) => call.path);
}

const KINDS = [{ code: "client", plural: "Clients" }];

async function drop() {
  const input = document.querySelector('input[type="file"]') as HTMLInputElement;
  await waitFor(() => expect(input.disabled).toBe(false));
  fireEvent.change(input, {
    target: { files: [new File(["Kind,Family name"], "people.csv", { type: "text/csv" })] },
  });
}

test("what each line does is shown before anything is made", async () => {
  const calls = serve({
    "GET /api/set-up/kinds": KINDS,
    "POST /api/set-up/people?apply=false&kind=client": LOOKED,
    "POST /api/set-up/people?apply=true&kind=client": { ...LOOKED, applied: true },
  });
  show(<ImportPeople />, "/set-up/people");
  await drop();
  expect(await screen.findByText("“robot” is no kind of file")).toBeTruthy();
  expect(screen.getByText("1 new")).toBeTruthy();
  expect(screen.getByText("has the file E-0147")).toBeTruthy();
  expect(sent(calls)).toEqual(["/api/set-up/people?apply=false&kind=client"]);
  fireEvent.click(screen.getByText("Make 1 file"));
  expect(await screen.findByText("Look at the files")).toBeTruthy();
  expect(sent(calls)[1]).toBe("/api/set-up/people?apply=true&kind=client");
});

test("a list that cannot be read says where", async () => {
  serve({
    "GET /api/set-up/kinds": KINDS,
    "POST /api/set-up/people?apply=false&kind=client": new Refusal(422, { detail: "Line 2 is not UTF-8." }),
  });
  show(<ImportPeople />, "/set-up/people");
  await drop();
  expect(await screen.findByText("Line 2 is not UTF-8.")).toBeTruthy();
});

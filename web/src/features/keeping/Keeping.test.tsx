import { cleanup, fireEvent, screen, waitFor } from "@testing-library/react";
import { afterEach, expect, test, vi } from "vitest";
import { Refusal, serve, show } from "../../testing/screen";
import { HoldModal } from "./KeepingHold";
import { KeepingSetUp } from "./KeepingSetUp";

afterEach(cleanup);

const DUE = {
  id: "f1",
  number: "A-0003",
  name: "Runa Feldt",
  kind: "Applicant",
  leftOn: "2026-03-31",
  keptUntil: "2026-09-30",
  rule: "Applicant: 6 months after the last day",
  papers: 3,
};

const KEEPING = {
  changes: 2,
  rules: { kinds: [{ code: "applicant", months: 6 }], types: [] },
  due: [DUE, { ...DUE, id: "f2", number: "A-0004", name: "Jory Vance", papers: 1 }],
  dueCount: 2,
  held: [],
  destroyed: [],
};

const AROUND = {
  "GET /api/kinds": [
    { code: "applicant", label: "Applicant", plural: "Applicants", facts: [] },
    { code: "employee", label: "Employee", plural: "Employees", facts: [] },
  ],
  "GET /api/document-types": [],
};

test("files are destroyed only when somebody says that they were looked at", async () => {
  const calls = serve({
    ...AROUND,
    "GET /api/keeping": KEEPING,
    "POST /api/keeping/destruction": { certificate: "c1" },
  });
  show(<KeepingSetUp />);
  await screen.findByText("2 files have been kept for as long as the rules ask.");
  expect(screen.getByRole<HTMLButtonElement>("button", { name: "Destroy" }).disabled).toBe(true);
  fireEvent.click(screen.getByRole("checkbox", { name: "Choose Runa Feldt" }));
  fireEvent.click(screen.getByRole("button", { name: "Destroy 1 file" }));
  await screen.findByText("Nobody can bring that back.");
  const [, sure] = screen.getAllByRole<HTMLButtonElement>("button", { name: "Destroy 1 file" });
  expect(sure?.disabled).toBe(true);
  fireEvent.click(screen.getByRole("checkbox", { name: /I have looked at what is destroyed/ }));
  fireEvent.click(sure as HTMLElement);
  await screen.findByText(/are being destroyed/);
  expect(calls.find((c) => c.method === "POST")?.body).toEqual({ files: ["f1"] });
});

test("a rule is saved once its effect was seen", async () => {
  const calls = serve({
    ...AROUND,
    "GET /api/keeping": KEEPING,
    "POST /api/keeping/effect": { due: 5 },
    "PUT /api/keeping": {},
  });
  show(<KeepingSetUp />);
  fireEvent.change(await screen.findByLabelText("Months for Applicants"), { target: { value: "3" } });
  fireEvent.click(screen.getByRole("button", { name: "See the effect" }));
  await screen.findByText("5 files could leave at once; now 2 can. Nothing is destroyed by itself.");
  fireEvent.click(screen.getByRole("button", { name: "Save" }));
  await waitFor(() => expect(calls.some((c) => c.method === "PUT")).toBe(true));
  expect(calls.find((c) => c.method === "PUT")?.body).toEqual({
    changes: 2,
    rules: { kinds: [{ code: "applicant", months: 3 }], types: [] },
  });
});

test("a hold needs a reason, and says so where it is missing", async () => {
  const closed = vi.fn();
  serve({
    "PUT /api/files/f1/keeping-hold": ({ body }: { body: unknown }) =>
      (body as { reason: string }).reason
        ? {}
        : new Refusal(400, { detail: "Say why, in up to 300 letters." }),
  });
  show(<HoldModal fileId="f1" onClose={closed} />);
  fireEvent.click(await screen.findByRole("button", { name: "Put on hold" }));
  await screen.findByText("Say why, in up to 300 letters.");
  fireEvent.change(screen.getByLabelText("Reason"), { target: { value: "A claim" } });
  fireEvent.click(screen.getByRole("button", { name: "Put on hold" }));
  await waitFor(() => expect(closed).toHaveBeenCalled());
});

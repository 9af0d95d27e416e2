import { cleanup, fireEvent, screen } from "@testing-library/react";
import { afterEach, expect, test } from "vitest";
import { PRACTICE, Refusal, serve, show } from "../../testing/screen";
import { CheckCopyPage } from "./CheckCopyPage";

afterEach(cleanup);

const GOOD = {
  verdict: "UNCHANGED",
  practice: "Oakhollin Riding & Therapy Yard",
  sealedAt: "2026-11-24T09:15:00Z",
  signedBy: [{ name: "Tamsin Korhola", role: "employee", at: "2026-11-24T09:12:00Z" }],
  newerExists: false,
  enteredInError: false,
  added: [],
  others: [],
} as const;

function checking(answer: typeof GOOD | object) {
  serve({ "GET /api/practice": PRACTICE, "POST /api/copies/check": answer as typeof GOOD });
  show(<CheckCopyPage />, "/check");
  fireEvent.change(screen.getByLabelText("The PDF to be checked"), {
    target: { files: [new File(["%PDF-"], "contract.pdf", { type: "application/pdf" })] },
  });
}

test("an unchanged copy is told with who signed it", async () => {
  checking(GOOD);
  expect(await screen.findByText("Unchanged")).toBeTruthy();
  expect(screen.getByText("Tamsin Korhola")).toBeTruthy();
  expect(screen.getByText("contract.pdf")).toBeTruthy();
  expect(screen.queryByText("There is a newer version of this paper.")).toBeNull();
});

test("that there is a newer one, and that it was an error, stand beside it", async () => {
  checking({ ...GOOD, newerExists: true, enteredInError: true });
  expect(await screen.findByText("There is a newer version of this paper.")).toBeTruthy();
  expect(screen.getByText(/marked this paper as entered in error/)).toBeTruthy();
});

test("what was added is named, and what is no PDF is refused in words", async () => {
  checking({ ...GOOD, verdict: "ADDED_TO", added: ["one page more", "marks or fields on page 2"] });
  expect(await screen.findByText(/Added later: one page more, marks or fields on page 2\./)).toBeTruthy();
  cleanup();
  checking(new Refusal(422, { detail: "This is no PDF that can be read." }));
  expect(await screen.findByText("This is no PDF that can be read.")).toBeTruthy();
});

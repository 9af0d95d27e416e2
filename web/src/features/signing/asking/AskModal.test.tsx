import { cleanup, fireEvent, screen, waitFor } from "@testing-library/react";
import { afterEach, expect, test } from "vitest";
import { serve, show } from "../../../testing/screen";
import { AskManyModal } from "./AskManyModal";
import { AskModal } from "./AskModal";

afterEach(cleanup);

const PROPOSAL = {
  roles: [
    { role: "employee", label: "employee", proposed: 0 },
    { role: "director", label: "director", proposed: 1 },
  ],
  candidates: [
    { name: "Tamsin Korhola", what: "the person", email: "tamsin@post.example" },
    { name: "Bram Ostervelt", what: "yard director", accountId: "a2" },
    { name: "Dilan Ozgune", what: "receptionist", accountId: "a3" },
  ],
  fields: [
    {
      paperId: "d1",
      why: "“Signature of employee”",
      field: {
        role: "employee",
        kind: "SIGNATURE",
        page: 1,
        left: 0.1,
        top: 0.7,
        width: 0.28,
        required: true,
      },
    },
  ],
} as const;

const PAPER = { id: "d1", name: "Contract, Korhola T", version: 1, pages: 1, versionNumber: 1 };

test("who signs is proposed, a colleague looks through it first, and places on the page go with it", async () => {
  const calls = serve({
    "GET /api/signature-requests/proposal": PROPOSAL,
    "POST /api/signature-requests": { id: "r1" },
  });
  show(<AskModal papers={[PAPER]} onClose={() => {}} />);
  expect(await screen.findByLabelText("Who signs as employee")).toHaveProperty("value", "Tamsin Korhola");
  expect(screen.getByLabelText("Mail address of Tamsin Korhola")).toHaveProperty(
    "value",
    "tamsin@post.example",
  );
  expect(screen.getByText("signs with their own account")).toBeTruthy();
  fireEvent.click(screen.getByRole("button", { name: /Looks through it first/ }));
  fireEvent.change(screen.getByLabelText("Who looks through it first"), { target: { value: "Dil" } });
  fireEvent.click(await screen.findByText("receptionist"));
  const place = screen.getByRole("button", { name: /Signature of Tamsin Korhola, page 1/ });
  fireEvent.keyDown(place, { key: "ArrowDown" });
  fireEvent.click(screen.getByRole("button", { name: "Ask for signatures" }));
  await waitFor(() => expect(calls.some((c) => c.method === "POST")).toBe(true));
  const body = calls.find((c) => c.method === "POST")?.body as Record<string, unknown>;
  expect(body).toMatchObject({
    papers: [{ id: "d1", version: 1 }],
    signers: [
      { step: 0, task: "APPROVE", accountId: "a3" },
      { step: 1, task: "SIGN", role: "employee", name: "Tamsin Korhola", email: "tamsin@post.example" },
      { step: 2, task: "SIGN", role: "director", accountId: "a2" },
    ],
  });
  expect((body.fields as { signer: number; top: number }[]).map((f) => [f.signer, f.top])).toEqual([
    [1, 0.708],
  ]);
});

test("of many who are asked for the same, those who could not be are named", async () => {
  serve({
    "GET /api/document-types": [
      {
        code: "contract",
        label: "Contract",
        synonyms: [],
        signers: [{ role: "director", label: "director" }],
      },
    ],
    "GET /api/colleagues": [{ id: "a2", name: "Bram Ostervelt", title: "yard director" }],
  });
  show(<AskManyModal people={[{ id: "f1", name: "Ada" }]} onClose={() => {}} />);
  expect(await screen.findByRole("button", { name: "File it and ask" })).toHaveProperty("disabled", true);
  fireEvent.change(screen.getByLabelText("The form"), {
    target: { files: [new File(["%PDF-"], "handbook.pdf", { type: "application/pdf" })] },
  });
  expect(await screen.findByText("handbook.pdf")).toBeTruthy();
});

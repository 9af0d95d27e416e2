import { cleanup, fireEvent, screen, waitFor } from "@testing-library/react";
import { afterEach, expect, test } from "vitest";
import type { Shape } from "../../api/client";
import { EDIE, paper } from "../../testing/papers";
import { OTTILIE, Refusal, serve, show } from "../../testing/screen";
import { SigningPage } from "./SigningPage";
import { SignSeveralModal } from "./SignSeveralModal";

afterEach(cleanup);

const SIGNING: Shape<"SigningAnswer"> = {
  id: "s1",
  documentId: "d1",
  fileId: "f1",
  name: "Contract, Korhola T",
  pages: 2,
  state: "OPEN",
  boxWidth: 0.28,
  steps: [
    { role: "employee", roleLabel: "employee", signer: "Tamsin Korhola", page: 2, left: 0.1, top: 0.8 },
    { role: "director", roleLabel: "director", signer: "Bram Ostervelt", page: 2, left: 0.5, top: 0.8 },
  ],
} as Shape<"SigningAnswer">;

const SIGNED = {
  ...SIGNING,
  steps: [{ ...SIGNING.steps[0], signedAt: "2026-11-25T10:00:00Z" }, SIGNING.steps[1]],
};

function serveSigning(more: object = {}) {
  return serve({
    "GET /api/session": { ...OTTILIE, lockedTo: ["s1"] },
    "GET /api/desk-signings/s1": SIGNING,
    ...more,
  });
}

test("one signs after the other, and a typed name is a signature", async () => {
  const calls = serveSigning({ "POST /api/desk-signings/s1/signatures": SIGNED });
  show(<SigningPage />, "/signing/s1", "/signing/:id");
  await screen.findByText("Tamsin Korhola, please sign");
  expect(screen.getByRole("button", { name: "I have read it and sign" })).toHaveProperty("disabled", true);
  fireEvent.click(screen.getByText("Type the name"));
  fireEvent.change(await screen.findByLabelText("Your full name"), { target: { value: "Tamsin Korhola" } });
  fireEvent.click(screen.getByRole("button", { name: "I have read it and sign" }));
  await screen.findByText("Bram Ostervelt, please sign");
  expect(calls.find((c) => c.method === "POST")?.body).toEqual({
    role: "employee",
    signature: { typed: "Tamsin Korhola" },
  });
});

test("a name that is not the signer's is refused with words, and nothing is lost", async () => {
  serveSigning({
    "POST /api/desk-signings/s1/signatures": new Refusal(422, {
      detail: "Not all can be taken.",
      code: "invalid",
      problems: [{ field: "signature", message: "This is not the name of Tamsin Korhola." }],
    }),
  });
  show(<SigningPage />, "/signing/s1", "/signing/:id");
  fireEvent.click(await screen.findByText("Type the name"));
  fireEvent.change(await screen.findByLabelText("Your full name"), { target: { value: "T" } });
  fireEvent.click(screen.getByRole("button", { name: "I have read it and sign" }));
  await screen.findByText("This is not the name of Tamsin Korhola.");
  expect(screen.getByLabelText("Your full name")).toHaveProperty("value", "T");
});

test("the screen is handed over with the paper, and goes back only with the password", async () => {
  const calls = serveSigning({
    "GET /api/session": OTTILIE,
    "POST /api/desk-lock": {},
    "POST /api/desk-unlock": (call: { body: unknown }) =>
      (call.body as { password: string }).password === "right"
        ? {}
        : new Refusal(422, {
            detail: "Not all can be taken.",
            code: "invalid",
            problems: [{ field: "code", message: "This is not the password of Ottilie Brandmoor." }],
          }),
    "POST /api/desk-signings/s1/withdraw": {},
  });
  show(<SigningPage />, "/signing/s1?then=s2", "/signing/:id");
  await waitFor(() =>
    expect(calls.find((c) => c.path === "/api/desk-lock")?.body).toEqual({ signings: ["s1", "s2"] }),
  );
  fireEvent.click(await screen.findByRole("button", { name: "Back to the practice" }));
  fireEvent.change(screen.getByLabelText("Password to unlock"), { target: { value: "wrong" } });
  fireEvent.click(screen.getByRole("button", { name: "Unlock" }));
  await screen.findByText("This is not the password of Ottilie Brandmoor.");
  fireEvent.change(screen.getByLabelText("Password to unlock"), { target: { value: "right" } });
  fireEvent.click(screen.getByRole("button", { name: "Unlock" }));
  fireEvent.click(await screen.findByRole("button", { name: "End it" }));
  await waitFor(() => expect(calls.some((c) => c.path.endsWith("/withdraw"))).toBe(true));
  expect(calls.filter((c) => c.path === "/api/desk-lock")).toHaveLength(1);
});

test("a screen that could not be handed over shows no paper, and is tried again", async () => {
  let lost = true;
  serveSigning({
    "GET /api/session": OTTILIE,
    "POST /api/desk-lock": () =>
      lost ? new Refusal(503, { detail: "The database is away.", code: "away" }) : {},
  });
  show(<SigningPage />, "/signing/s1", "/signing/:id");
  await screen.findByText("The database is away.");
  expect(screen.queryByText("Tamsin Korhola, please sign")).toBeNull();
  lost = false;
  fireEvent.click(screen.getByRole("button", { name: "Try again" }));
  await screen.findByText("Tamsin Korhola, please sign");
});

test("when all have signed, the next of several papers is laid before them", async () => {
  serve({
    "GET /api/session": { ...OTTILIE, lockedTo: ["s1", "s2", "s3"] },
    "GET /api/desk-signings/s1": { ...SIGNING, state: "COMPLETE" },
    "GET /api/desk-signings/s2": { ...SIGNING, id: "s2", name: "Handbook receipt" },
  });
  show(<SigningPage />, "/signing/s1?then=s2,s3", "/signing/:id");
  await screen.findByText("Signed by everyone and sealed");
  fireEvent.click(screen.getByRole("button", { name: "Next paper, 2 to sign" }));
  await screen.findByText("Handbook receipt");
});

test("several papers are begun with one name a role; one begun before goes on", async () => {
  const owner = { role: "owner", label: "owner" };
  const yard = { role: "yard", label: "yard" };
  const calls = serve({
    "GET /api/files/f1/relations": [],
    "GET /api/documents/a": paper({ id: "a", unsignedBy: [owner, yard] }),
    "GET /api/documents/b": paper({ id: "b", unsignedBy: [owner] }),
    "GET /api/documents/a/desk-signings/open": {},
    "GET /api/documents/b/desk-signings/open": { id: "begun" },
    "POST /api/documents/a/desk-signings": { id: "new" },
  });
  const papers = [
    { id: "a", name: "Livery agreement" },
    { id: "b", name: "Direct debit mandate" },
  ];
  show(<SignSeveralModal papers={papers} file={EDIE} onClose={() => {}} />);
  fireEvent.change(await screen.findByLabelText("owner"), { target: { value: "L Abrantes" } });
  const lay = screen.getByRole("button", { name: "Lay them before the signers" });
  expect(lay).toHaveProperty("disabled", true);
  fireEvent.change(screen.getByLabelText("yard"), { target: { value: "Bram Ostervelt" } });
  fireEvent.click(lay);
  await waitFor(() =>
    expect(calls.filter((c) => c.method === "POST")).toMatchObject([
      {
        path: "/api/documents/a/desk-signings",
        body: {
          signers: [
            { role: "owner", signer: "L Abrantes", page: 2 },
            { role: "yard", signer: "Bram Ostervelt", page: 2 },
          ],
        },
      },
    ]),
  );
});

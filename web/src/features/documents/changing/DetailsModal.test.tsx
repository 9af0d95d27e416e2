import { cleanup, fireEvent, screen, waitFor } from "@testing-library/react";
import { afterEach, expect, test, vi } from "vitest";
import { paper } from "../../../testing/papers";
import { OTTILIE, PRACTICE, Refusal, serve, show } from "../../../testing/screen";
import { DetailsModal } from "./DetailsModal";

afterEach(cleanup);

const TYPES = [
  {
    code: "clearance",
    label: "Physician's clearance",
    synonyms: [],
    signers: [{ role: "physician", label: "physician" }],
    fields: ["Practice no."],
  },
  { code: "letter", label: "Letter", synonyms: [], signers: [], fields: [] },
];

function serveDetails(more: object = {}) {
  return serve({
    "GET /api/session": OTTILIE,
    "GET /api/document-types": TYPES,
    "POST /api/documents/d1/hold": {},
    "DELETE /api/documents/d1/hold": {},
    "PUT /api/documents/d1/details": {},
    ...more,
  });
}

test("the paper is held while its details are open, and let go of afterwards", async () => {
  const calls = serveDetails();
  const { unmount } = show(<DetailsModal paper={paper()} onClose={() => {}} />);
  await waitFor(() => expect(calls.some((c) => c.method === "POST" && c.path.endsWith("/hold"))).toBe(true));
  unmount();
  await waitFor(() => expect(calls.some((c) => c.method === "DELETE")).toBe(true));
});

test("what is saved names the state it was made from, and keeps only fields of its types", async () => {
  const calls = serveDetails();
  const close = vi.fn();
  const from = paper({ fields: { "Practice no.": "77", "Old field": "gone" } });
  show(<DetailsModal paper={from} onClose={close} />);
  fireEvent.change(await screen.findByLabelText("Practice no."), { target: { value: "78" } });
  fireEvent.change(screen.getByLabelText("Description"), { target: { value: "seen by phone" } });
  fireEvent.click(screen.getByRole("button", { name: "Save" }));
  await waitFor(() => expect(close).toHaveBeenCalled());
  expect(calls.find((c) => c.method === "PUT")?.body).toMatchObject({
    changes: 3,
    description: "seen by phone",
    details: { type: "clearance", documentDate: "2026-11-12", fields: { "Practice no.": "78" } },
  });
});

test("a paper a colleague works on cannot be changed until its hold is lifted", async () => {
  let held = true;
  const calls = serveDetails({
    "POST /api/documents/d1/hold": () =>
      held ? new Refusal(409, { detail: "Zuri Mbeya-Holt works on this paper." }) : {},
    "POST /api/documents/d1/lift-hold": () => {
      held = false;
      return {};
    },
  });
  show(<DetailsModal paper={paper()} onClose={() => {}} />);
  await screen.findByText("Zuri Mbeya-Holt works on this paper.");
  expect(screen.getByRole("button", { name: "Save" })).toHaveProperty("disabled", true);
  fireEvent.click(await screen.findByRole("button", { name: "Lift the hold" }));
  await waitFor(() => expect(screen.queryByText("Zuri Mbeya-Holt works on this paper.")).toBeNull());
  expect(screen.getByRole("button", { name: "Save" })).toHaveProperty("disabled", false);
  expect(calls.filter((c) => c.method === "POST" && c.path.endsWith("/hold"))).toHaveLength(2);
});

test("only an administrator is offered to lift a hold", async () => {
  serveDetails({
    "GET /api/session": { ...OTTILIE, role: "COLLEAGUE" },
    "POST /api/documents/d1/hold": new Refusal(409, { detail: "Bram Ostervelt works on this paper." }),
  });
  show(<DetailsModal paper={paper()} onClose={() => {}} />);
  await screen.findByText("Bram Ostervelt works on this paper.");
  expect(screen.queryByRole("button", { name: "Lift the hold" })).toBeNull();
});

test("what is refused is told at its field, and nothing typed is lost", async () => {
  serveDetails({
    "PUT /api/documents/d1/details": new Refusal(422, {
      detail: "Not all can be taken.",
      code: "invalid",
      problems: [{ field: "statedExpiry", message: "lies before the day of the paper" }],
    }),
  });
  const close = vi.fn();
  show(<DetailsModal paper={paper()} onClose={close} />);
  fireEvent.change(screen.getByLabelText("Description"), { target: { value: "seen by phone" } });
  fireEvent.click(screen.getByRole("button", { name: "Save" }));
  await screen.findByText("lies before the day of the paper");
  expect(screen.getByLabelText("Description")).toHaveProperty("value", "seen by phone");
  expect(close).not.toHaveBeenCalled();
});

test("who signed with a pen is said with name and day, and saved only wholly", async () => {
  const calls = serveDetails({
    "GET /api/practice": PRACTICE,
    "GET /api/files/f1/signers": [{ role: "physician", name: "Dr Amara Okell" }],
    "GET /api/files/f1/relations": [],
  });
  show(<DetailsModal paper={paper({ documentDate: "2026-11-12" })} onClose={() => {}} />);
  const tick = await screen.findByLabelText<HTMLInputElement>("signed on paper by the physician");
  await waitFor(() => expect(tick.disabled).toBe(false));
  fireEvent.click(tick);
  const name = screen.getByLabelText<HTMLInputElement>("Name of the physician who signed");
  await waitFor(() => expect(name.value).toBe("Dr Amara Okell"));
  const save = screen.getByRole<HTMLButtonElement>("button", { name: "Save" });
  fireEvent.change(name, { target: { value: " " } });
  expect(save.disabled).toBe(true);
  fireEvent.change(name, { target: { value: "Dr Okell" } });
  fireEvent.click(save);
  await waitFor(() =>
    expect(calls.find((c) => c.method === "PUT")?.body).toMatchObject({
      details: { signedOnPaper: [{ role: "physician", signer: "Dr Okell", signedOn: "2026-11-12" }] },
    }),
  );
});

import { cleanup, fireEvent, screen, waitFor } from "@testing-library/react";
import { afterEach, expect, test, vi } from "vitest";
import { Refusal, serve, show } from "../../../testing/screen";
import { ChosenBar } from "./ChosenBar";

afterEach(cleanup);

const PAPERS = [
  { id: "a", name: "Letter a", versions: 1, changes: 4 },
  { id: "b", name: "Letter b", versions: 2, changes: 7 },
];

test("chosen papers are zipped, and thrown away with a way back", async () => {
  const calls = serve({
    "POST /api/zips": { id: "z" },
    "POST /api/documents/discard": {},
    "POST /api/documents/a/restore": {},
    "POST /api/documents/b/restore": {},
    "GET /api/jobs": [],
  });
  const clear = vi.fn();
  show(<ChosenBar papers={PAPERS} mayChange onClear={clear} />);
  fireEvent.click(screen.getByRole("button", { name: "ZIP" }));
  fireEvent.click(await screen.findByRole("button", { name: "ZIP for us" }));
  await screen.findByText(/The ZIP is being made/);
  expect(calls.find((c) => c.path === "/api/zips")?.body).toEqual({ documents: ["a", "b"] });
  fireEvent.click(screen.getByRole("button", { name: "Throw away" }));
  fireEvent.click(await screen.findByRole("button", { name: "Undo" }));
  await waitFor(() => expect(calls.filter((c) => c.path.endsWith("/restore"))).toHaveLength(2));
  expect(clear).toHaveBeenCalled();
});

test("details are changed for all, and a refusal keeps the dialog with its reason", async () => {
  const calls = serve({
    "POST /api/documents/details": new Refusal(409, { detail: "Zuri Mbeya-Holt works on this paper." }),
    "GET /api/document-types": [],
  });
  show(<ChosenBar papers={PAPERS} mayChange onClear={() => {}} />);
  fireEvent.click(screen.getByRole("button", { name: "Change" }));
  const change = await screen.findByRole("button", { name: "Change 2 papers" });
  expect(change).toHaveProperty("disabled", true);
  fireEvent.change(screen.getByLabelText("Description"), { target: { value: "autumn" } });
  fireEvent.click(change);
  await screen.findByText(/works on this paper/);
  expect(calls.find((c) => c.method === "POST")?.body).toEqual({
    documents: [
      { id: "a", changes: 4 },
      { id: "b", changes: 7 },
    ],
    details: { description: "autumn" },
  });
});

test("what is decided is decided on the versions that are shown", async () => {
  const calls = serve({ "POST /api/documents/accept": {} });
  const papers = PAPERS.map((p) => ({ ...p, state: "IN_REVIEW" as const }));
  show(<ChosenBar papers={papers} mayChange onClear={() => {}} />);
  fireEvent.click(screen.getByRole("button", { name: "Accept" }));
  await waitFor(() =>
    expect(calls[0]?.body).toEqual({
      documents: [
        { id: "a", version: 1 },
        { id: "b", version: 2 },
      ],
    }),
  );
});

test("who may only look can fetch papers but not change them", () => {
  serve({});
  show(<ChosenBar papers={PAPERS} mayChange={false} onClear={() => {}} />);
  expect(screen.getAllByRole("button").map((b) => b.textContent)).toEqual([
    "ZIP",
    "Print",
    "Copies for …",
    "×",
  ]);
});

import { cleanup, fireEvent, screen, waitFor } from "@testing-library/react";
import { afterEach, expect, test, vi } from "vitest";
import { paper, version } from "../../testing/papers";
import { PRACTICE, serve, show } from "../../testing/screen";
import { useNewVersion } from "./useNewVersion";

vi.mock("../uploads/sendResumably", () => ({
  sendResumably: (file: File, take: (id: string, end: () => void) => Promise<unknown>) => ({
    taken: take(`upload of ${file.name}`, () => undefined),
    stop: () => {},
    goOn: () => {},
  }),
}));

afterEach(cleanup);

function Bring() {
  const renew = useNewVersion("d1");
  return (
    <button type="button" onClick={() => renew.mutate(new File(["x"], "other.pdf"))}>
      bring
    </button>
  );
}

test("a file that became a paper's newest version is taken back by its own Undo", async () => {
  const calls = serve({
    "GET /api/practice": PRACTICE,
    "GET /api/documents/d1": paper({
      name: "Consent, 2026-11-12",
      versions: [version(1), version(2)],
      signers: [{ role: "guardian", label: "guardian" }],
    }),
    "POST /api/documents/d1/versions": {},
    "POST /api/documents/d1/versions/2/restore": {},
  });
  show(<Bring />);
  fireEvent.click(screen.getByText("bring"));
  await screen.findByText(/“other.pdf” is the newest version of “Consent, 2026-11-12”/);
  expect(calls.find((c) => c.path === "/api/documents/d1/versions")?.body).toEqual({
    upload: "upload of other.pdf",
  });
  screen.getByText("It is signed on paper…");
  fireEvent.click(screen.getByText("Undo"));
  await screen.findByText("Version 2 is the newest again.");
  await waitFor(() =>
    expect(calls.some((c) => c.path === "/api/documents/d1/versions/2/restore")).toBe(true),
  );
});

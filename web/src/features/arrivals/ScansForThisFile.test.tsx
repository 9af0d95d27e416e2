import { cleanup, fireEvent, screen, waitFor } from "@testing-library/react";
import { useLocation } from "react-router";
import { afterEach, beforeEach, expect, test, vi } from "vitest";
import { serve, show } from "../../testing/screen";
import { ScansForThisFile } from "./ScansForThisFile";

beforeEach(() => vi.useFakeTimers({ shouldAdvanceTime: true }));
afterEach(() => {
  cleanup();
  localStorage.clear();
  vi.useRealTimers();
});

function Page() {
  const { pathname, search } = useLocation();
  return (
    <>
      <ScansForThisFile fileId="f1" />
      <input aria-label="typed" defaultValue="not yet saved" />
      <output>{pathname + search}</output>
    </>
  );
}

test("a scan that comes for the open file is told with a link, and the page stays as it is", async () => {
  localStorage.setItem("denfold.desk", "Office desk");
  const waiting: { id: string; fileId: string; isGiven: boolean; fileName: string }[] = [];
  serve({
    "GET /api/arrivals": () => [...waiting],
    "GET /api/desks": ["Office desk"],
    "PUT /api/desks/Office%20desk/file": {},
    "DELETE /api/desks/Office%20desk/file": {},
  });
  show(<Page />);
  await vi.advanceTimersByTimeAsync(100);
  waiting.push({ id: "a7", fileId: "f1", isGiven: true, fileName: "scan_0007.pdf" });
  await vi.advanceTimersByTimeAsync(9_000);

  const link = await screen.findByText("Look at it and file it");
  screen.getByText("“scan_0007.pdf” came for this file");
  expect((screen.getByLabelText("typed") as HTMLInputElement).value).toBe("not yet saved");
  fireEvent.click(link);
  await waitFor(() => expect(document.querySelector("output")?.textContent).toBe("/arrivals?paper=a7"));
});

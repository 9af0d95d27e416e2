import { cleanup, fireEvent, screen } from "@testing-library/react";
import { afterEach, expect, test } from "vitest";
import { Refusal, serve, show } from "../../testing/screen";
import { useLaidOut } from "./laidOut";

afterEach(cleanup);

const LETTER = {
  number: 1,
  mediaType: "application/rtf",
  pages: 1,
} as Parameters<typeof useLaidOut>[1];

function Shown({ version }: { version: typeof LETTER }) {
  const { laidOut, turn } = useLaidOut("p1", version);
  return (
    <button type="button" onClick={turn}>
      {laidOut ? `${laidOut.pages} pages` : "words"}
    </button>
  );
}

test("pages that are there show first, and words when asked for", async () => {
  const calls = serve({});
  show(<Shown version={{ ...LETTER, laidOut: { pages: 3, size: 900 } }} />);
  fireEvent.click(await screen.findByText("3 pages"));
  fireEvent.click(await screen.findByText("words"));
  await screen.findByText("3 pages");
  expect(calls).toEqual([]);
});

test("what is not laid out yet is on request, and why it cannot be is said", async () => {
  serve({
    "POST /api/documents/p1/versions/1/laid-out": new Refusal(409, { detail: "Install LibreOffice." }),
  });
  show(<Shown version={LETTER} />);
  fireEvent.click(await screen.findByText("words"));
  await screen.findByText("Install LibreOffice.");
  await screen.findByText("words");
});

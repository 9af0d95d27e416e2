import { cleanup, createEvent, fireEvent, screen, waitFor } from "@testing-library/react";
import { App } from "antd";
import { useState } from "react";
import { afterEach, expect, test, vi } from "vitest";
import { PRACTICE, serve, show } from "../../testing/screen";
import { UploadTray } from "../uploads/UploadTray";
import { useStrayDrops } from "../uploads/useStrayDrops";
import { DropOnFile } from "./PapersForFile";

const sent = vi.hoisted(() => ({ files: [] as string[] }));

// what goes over the wire is the protocol's; here it arrives at once, or is refused
vi.mock("../uploads/sendResumably", () => ({
  sendResumably: (file: File, take: (id: string, end: () => void) => Promise<unknown>) => {
    sent.files.push(file.name);
    return { taken: take(`upload of ${file.name}`, () => undefined), stop: () => {}, goOn: () => {} };
  },
}));

afterEach(() => {
  cleanup();
  sent.files.length = 0;
});

const EDIE = { id: "f1", name: "Edie Penhallow", number: "P-0031" };

function drop(on: Element, ...names: string[]) {
  const files = names.map((name) => new File(["x"], name));
  const event = createEvent.drop(on);
  Object.defineProperty(event, "dataTransfer", { value: { types: ["Files"], files, items: [] } });
  fireEvent(on, event);
  return event;
}

function Stray() {
  useStrayDrops();
  return <p>Nothing takes files here</p>;
}

function AsksAboutAnotherDay() {
  const [mayTake, setMayTake] = useState(true);
  return (
    <DropOnFile person={EDIE} mayTake={mayTake}>
      <button type="button" onClick={() => setMayTake(false)}>
        ask about another day
      </button>
    </DropOnFile>
  );
}

test("files dropped anywhere on a file are asked about, sent for that person, and said to wait", async () => {
  const calls = serve({
    "GET /api/practice": PRACTICE,
    "GET /api/document-types": [],
    "POST /api/arrivals/sent": ({ body }) => ({ id: `arrival of ${(body as { upload: string }).upload}` }),
  });
  show(
    <DropOnFile person={EDIE}>
      <p>somewhere</p>
    </DropOnFile>,
  );
  drop(screen.getByText("somewhere"), "a.pdf", "b.pdf");
  fireEvent.click(await screen.findByRole("button", { name: "Bring in 2 papers" }));
  await screen.findByText("2 papers wait in Arrivals");
  expect(sent.files).toEqual(["a.pdf", "b.pdf"]);
  expect(calls.filter((c) => c.path === "/api/arrivals/sent").map((c) => c.body)).toEqual([
    { upload: "upload of a.pdf", fileId: "f1" },
    { upload: "upload of b.pdf", fileId: "f1" },
  ]);
});

test("what stands in a file stays as it is when nothing may be dropped on it any more", async () => {
  serve({ "GET /api/practice": PRACTICE });
  show(<AsksAboutAnotherDay />);
  const inside = screen.getByText("ask about another day");
  fireEvent.click(inside);
  expect(screen.getByText("ask about another day")).toBe(inside);
  expect(drop(inside, "a.pdf").defaultPrevented).toBe(false);
});

test("what is too large stays told until it is put away, wherever one is", async () => {
  serve({ "GET /api/practice": { ...PRACTICE, uploadLimit: 0 }, "GET /api/document-types": [] });
  show(
    <>
      <DropOnFile person={EDIE}>
        <p>somewhere</p>
      </DropOnFile>
      <UploadTray />
    </>,
  );
  drop(screen.getByText("somewhere"), "a.pdf");
  fireEvent.click(await screen.findByRole("button", { name: "Bring in 1 paper" }));
  await screen.findByText(/“a.pdf” has 1 kB; at most 1 kB are taken/);
  expect(sent.files).toEqual([]);
  fireEvent.click(screen.getByText("Dismiss"));
  await waitFor(() => expect(screen.queryByText(/“a.pdf” has/)).toBeNull());
});

test("a file dropped where nothing takes it neither leaves the application nor is lost without a word", async () => {
  serve({});
  show(
    <App>
      <Stray />
    </App>,
  );
  const event = drop(screen.getByText("Nothing takes files here"), "a.pdf");
  expect(event.defaultPrevented).toBe(true);
  await screen.findByText(/Drop papers in Arrivals or on a person’s file/);
});

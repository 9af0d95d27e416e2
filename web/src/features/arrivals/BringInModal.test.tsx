import { cleanup, fireEvent, screen } from "@testing-library/react";
import { afterEach, expect, test } from "vitest";
import { serve, show } from "../../testing/screen";
import { droppedFiles, papersOf } from "../uploads/droppedFiles";
import type { Chosen } from "../uploads/Uploads";
import { BringInModal } from "./BringInModal";

afterEach(cleanup);

const TYPE = { section: "s", sectionLabel: "S", signers: [], needsReview: false, synonyms: [], fields: [] };
const TYPES = [
  { ...TYPE, code: "letter", label: "Letter" },
  { ...TYPE, code: "contract", label: "Contract" },
];

function pick(label: string, option: string) {
  const box = screen.getByLabelText(label);
  fireEvent.mouseDown(box);
  fireEvent.change(box, { target: { value: option } });
  fireEvent.keyDown(box, { key: "Enter", code: "Enter", keyCode: 13 });
}

test("all papers take the same details, and one a type of its own; a mistaken one is removed", async () => {
  serve({ "GET /api/document-types": TYPES, "GET /api/files/found": [] });
  const brought: Chosen[][] = [];
  const files = ["a.pdf", "b.pdf", "wrong.pdf"].map((name) => new File(["x"], name));
  show(
    <BringInModal
      first={files.map((file) => ({ file, details: {} }))}
      onClose={() => undefined}
      onBringIn={(c) => brought.push(c)}
    />,
  );
  fireEvent.click(await screen.findByRole("button", { name: "Remove wrong.pdf" }));
  await screen.findByRole("button", { name: "Bring in 2 papers" });
  pick("Type of all", "Letter");
  pick("Type of b.pdf", "Contract");
  fireEvent.change(screen.getByLabelText("Note for whoever files them"), {
    target: { value: "From the safe" },
  });
  fireEvent.click(screen.getByRole("button", { name: "Bring in 2 papers" }));
  expect(brought[0]?.map((c) => [c.file.name, c.details.type, c.details.note])).toEqual([
    ["a.pdf", "letter", "From the safe"],
    ["b.pdf", "contract", "From the safe"],
  ]);
});

function entry(name: string, inside?: FileSystemEntry[]): FileSystemEntry {
  let portions = inside ? [inside.slice(0, 1), inside.slice(1), []] : [];
  return {
    name,
    isFile: !inside,
    isDirectory: !!inside,
    file: (done: (f: File) => void) => done(new File(["x"], name)),
    createReader: () => ({
      readEntries: (done: (e: FileSystemEntry[]) => void) => {
        const [first = [], ...rest] = portions;
        portions = rest;
        done(first);
      },
    }),
  } as unknown as FileSystemEntry;
}

test("a dropped folder gives all its papers, however deep, without what the system put there", async () => {
  const folder = entry("post", [
    entry("page 10.pdf"),
    entry("inner", [entry("deep.pdf"), entry(".DS_Store")]),
    entry("page 2.pdf"),
    entry("Thumbs.db"),
  ]);
  const data = { items: [{ webkitGetAsEntry: () => folder }], files: [] } as unknown as DataTransfer;
  expect((await droppedFiles(data)).map((f) => f.name)).toEqual(["deep.pdf", "page 2.pdf", "page 10.pdf"]);
  const plain = [new File(["x"], "a.pdf"), new File(["x"], ".hidden")];
  expect(papersOf(plain as unknown as FileList).map((f) => f.name)).toEqual(["a.pdf"]);
});

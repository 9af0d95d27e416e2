import { cleanup, fireEvent, screen } from "@testing-library/react";
import { useEffect, useState } from "react";
import { afterEach, expect, test } from "vitest";
import { show } from "../../testing/screen";
import { EvidenceEditor } from "./EvidenceEditor";
import type { Evidence } from "./rules";

afterEach(cleanup);

const TYPES = [
  { value: "passport", label: "Passport" },
  { value: "licence", label: "Driving licence" },
];

function Editing({ first, onTell }: { first: Evidence; onTell: (evidence: Evidence) => void }) {
  const [evidence, setEvidence] = useState(first);
  useEffect(() => onTell(evidence), [evidence, onTell]);
  return <EvidenceEditor evidence={evidence} types={TYPES} onChange={setEvidence} />;
}

/** Shows the editor and tells the evidence as it stands. */
function edit(first: Evidence): () => Evidence {
  let last = first;
  const tell = (evidence: Evidence) => {
    last = evidence;
  };
  show(<Editing first={first} onTell={tell} />);
  return () => last;
}

async function choose(label: string, option: string, place = 0) {
  const field = screen.getAllByLabelText(label)[place] as HTMLElement;
  fireEvent.mouseDown(field.closest(".ant-select")?.querySelector(".ant-select-content") ?? field);
  const found = await screen.findAllByTitle(option);
  fireEvent.click(found[found.length - 1] as HTMLElement);
}

test("how many papers are needed is left out where it is one", () => {
  const evidence = edit({ type: "passport" });
  fireEvent.change(screen.getByLabelText("How many"), { target: { value: "2" } });
  expect(evidence()).toEqual({ type: "passport", count: 2 });
  fireEvent.change(screen.getByLabelText("How many"), { target: { value: "1" } });
  expect(evidence()).toEqual({ type: "passport" });
});

test("another paper, or all of several, or points", async () => {
  const evidence = edit({ type: "licence" });
  await choose("Widen what satisfies it", "or another paper");
  expect(evidence()).toEqual({ anyOf: [{ type: "licence" }, { type: "passport" }] });
  fireEvent.click(screen.getByText("one of"));
  expect(evidence()).toEqual({ allOf: [{ type: "licence" }, { type: "passport" }] });
  fireEvent.click(screen.getByText("add a paper…"));
  expect(evidence()).toEqual({ allOf: [{ type: "licence" }, { type: "passport" }, { type: "passport" }] });
  fireEvent.click(screen.getAllByLabelText("Remove this paper")[2] as HTMLElement);
  fireEvent.click(screen.getAllByLabelText("Remove this paper")[1] as HTMLElement);
  expect(evidence()).toEqual({ type: "licence" });
});

test("points name what each paper gives, and how often", async () => {
  const evidence = edit({ type: "passport" });
  await choose("Widen what satisfies it", "several papers worth points");
  expect(evidence()).toEqual({ points: 100, of: [{ type: "passport", points: 100, atMost: 1 }] });
  fireEvent.click(screen.getByText("add a paper…"));
  fireEvent.change(screen.getByLabelText("Points needed"), { target: { value: "80" } });
  fireEvent.change(screen.getAllByLabelText("At most")[1] as HTMLElement, { target: { value: "" } });
  fireEvent.blur(screen.getAllByLabelText("At most")[1] as HTMLElement);
  expect(evidence()).toEqual({
    points: 80,
    of: [
      { type: "passport", points: 100, atMost: 1 },
      { type: "passport", points: 25 },
    ],
  });
  fireEvent.click(screen.getByText("a single paper instead"));
  expect(evidence()).toEqual({ type: "passport" });
});

test("limits on a paper are added and taken away", async () => {
  const evidence = edit({ type: "passport" });
  await choose("Limit which papers count", "no older than…");
  expect(evidence()).toEqual({ type: "passport", within: "P3M" });
  fireEvent.change(screen.getByLabelText("Length"), { target: { value: "6" } });
  expect(evidence()).toEqual({ type: "passport", within: "P6M" });
  await choose("Limit which papers count", "not dated long before the start…");
  expect(evidence()).toEqual({ type: "passport", within: "P6M", notBefore: { from: "start", days: -92 } });
  fireEvent.change(screen.getByLabelText("Days before the start"), { target: { value: "30" } });
  expect(evidence()).toMatchObject({ notBefore: { from: "start", days: -30 } });
  fireEvent.click(screen.getAllByLabelText("Remove this paper")[0] as HTMLElement);
  expect(evidence()).toEqual({ type: "passport", notBefore: { from: "start", days: -30 } });
});

test("a period of several units is shown as it is written", () => {
  const evidence = edit({ type: "passport", within: "P1Y6M" });
  fireEvent.change(screen.getByLabelText("Period"), { target: { value: "P1Y3M" } });
  expect(evidence()).toEqual({ type: "passport", within: "P1Y3M" });
});

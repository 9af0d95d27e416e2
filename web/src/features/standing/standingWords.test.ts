import { describe, expect, test } from "vitest";
import type { UnderWay } from "./standingQueries";
import { nextWords, stageWords, waitsForWords } from "./standingWords";

const paper: UnderWay = {
  documentId: "d1",
  fileId: "f1",
  version: 1,
  paper: "Neck X-ray report, Korhola T",
  typeLabel: "Neck X-ray report",
  person: "Tilda Korhola",
  stage: "COMPLETE",
  waitsFor: "RECEIVER",
  names: ["Hallam Insurance", "Ruth Korhola"],
  since: "2026-03-09",
  sent: 0,
  receivers: 2,
  checked: false,
  wantsCheck: false,
  mayCheck: false,
};

describe("how a paper stands, in words", () => {
  test.each<[Partial<UnderWay>, string, string, string]>([
    [{}, "Complete, not sent yet", "Hallam Insurance and Ruth Korhola", "send it"],
    [{ stage: "SENT", sent: 1, names: ["Ruth Korhola"] }, "Sent to 1 of 2", "Ruth Korhola", "send it"],
    [
      { stage: "SENT", sent: 2, names: ["Ruth Korhola"] },
      "Sent to 2 of 2",
      "Ruth Korhola",
      "wait until it is opened",
    ],
    [
      { stage: "SENT", sent: 2, names: [], waitsFor: "US", wantsCheck: true },
      "Sent to 2 of 2, not checked yet",
      "a second person",
      "check it",
    ],
    [
      { stage: "CHECKED", checked: true },
      "Checked, not sent yet",
      "Hallam Insurance and Ruth Korhola",
      "send it",
    ],
    [
      { stage: "SENT", checked: true, sent: 1, names: ["Ruth Korhola"] },
      "Checked, sent to 1 of 2",
      "Ruth Korhola",
      "send it",
    ],
    [
      { receivers: 0, names: [], waitsFor: "US", wantsCheck: true },
      "Complete, not checked yet",
      "a second person",
      "check it",
    ],
    [
      { stage: "UNSIGNED", waitsFor: "US", names: ["guardian"] },
      "Signature of guardian is lacking",
      "us, to ask for it",
      "ask for the signature",
    ],
    [
      { stage: "UNSIGNED", waitsFor: "SIGNER", names: ["Ruth Korhola"] },
      "Signature of Ruth Korhola is lacking",
      "Ruth Korhola",
      "remind",
    ],
    [
      { stage: "WITH_OTHERS", waitsFor: "OTHERS", names: ["Ruth Korhola"] },
      "With Ruth Korhola since 9 Mar 2026",
      "Ruth Korhola",
      "ask for it back",
    ],
    [
      { stage: "WITH_OTHERS", waitsFor: "OTHERS", names: [] },
      "Awaited since 9 Mar 2026",
      "whoever brings it",
      "ask for it back",
    ],
    [{ stage: "TO_CORRECT", waitsFor: "US", names: [] }, "To be corrected", "us", "correct it"],
    [
      { stage: "TO_CORRECT", waitsFor: "OTHERS", names: [] },
      "To be corrected",
      "whoever brings it",
      "get it corrected",
    ],
    [
      { stage: "IN_REVIEW", waitsFor: "US", names: ["Noor Haddad"] },
      "In review with Noor Haddad",
      "Noor Haddad",
      "look through it",
    ],
  ])("%o", (part, words, whom, next) => {
    const told = { ...paper, ...part };
    expect(stageWords(told)).toBe(words);
    expect(waitsForWords(told)).toBe(whom);
    expect(nextWords(told)).toBe(next);
  });

  test("a paper that is filed tells how many have it", () => {
    expect(stageWords({ ...paper, stage: "FILED", waitsFor: undefined, names: [], sent: 2 })).toBe(
      "Filed, sent to all 2",
    );
    expect(stageWords({ ...paper, stage: "FILED", waitsFor: undefined, names: [], receivers: 0 })).toBe(
      "Filed",
    );
  });
});

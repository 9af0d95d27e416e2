import { expect, test } from "vitest";
import { inOrder } from "./ArrivalList";
import { type Arrival, type ArrivalDetail, complete, proposedDraft } from "./arrivalQueries";

function arrival(
  id: string,
  source: Arrival["source"],
  state: Arrival["state"],
  receivedAt: string,
): Arrival {
  return {
    id,
    source,
    state,
    receivedAt,
    version: 0,
    broughtBy: "Office desk",
    fileName: id,
    pages: [{ sha256: "a", page: 1, turn: 0 }],
    isGiven: false,
    size: 1,
    mediaType: "",
  };
}

test("papers stand by their way in, set-aside ones last, each group as it came", () => {
  const list = [
    arrival("late drop", "DROP", "WAITING", "2026-11-25T10:00:00Z"),
    arrival("aside", "PICKUP", "SET_ASIDE", "2026-11-25T06:00:00Z"),
    arrival("guest", "PORTAL", "WAITING", "2026-11-25T11:00:00Z"),
    arrival("early drop", "DROP", "WAITING", "2026-11-25T09:00:00Z"),
    arrival("scan", "PICKUP", "WAITING", "2026-11-25T12:00:00Z"),
  ];
  expect(inOrder(list).map((a) => a.id)).toEqual(["scan", "guest", "early drop", "late drop", "aside"]);
});

test("a draft can be filed once person, type and date are there", () => {
  expect(complete({ fileId: "f", type: "contract" })).toBeNull();
  expect(complete({ fileId: "f", type: "contract", documentDate: "2026-11-25" })).toMatchObject({
    fileId: "f",
  });
});

test("a draft begins with what is sure, and with what the paper came with where nothing is", () => {
  const given = {
    ...arrival("x", "PORTAL", "WAITING", ""),
    fileId: "f",
    isGiven: true,
    suggestedType: "card",
  };
  expect(proposedDraft(given)).toMatchObject({ fileId: "f", type: "card" });
  const sure = (preselected: boolean) => ({ confidence: 0.9, reason: "", preselected });
  const detail = {
    proposals: {
      persons: [{ fileId: "g", name: "", number: "", ...sure(false) }],
      types: [{ code: "letter", label: "", ...sure(true) }],
      documentDate: [{ day: "2026-11-20", ...sure(true) }],
      statedExpiry: [],
    },
  } as unknown as ArrivalDetail;
  expect(proposedDraft(given, detail)).toMatchObject({
    fileId: "f",
    type: "letter",
    documentDate: "2026-11-20",
  });
});

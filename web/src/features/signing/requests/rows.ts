import type { Shape } from "../../../api/client";
import { dayOf, daysBetween } from "../../../ui/days";

type Row = Shape<"RequestRow">;

export const STATES: Record<Row["state"], string> = {
  OPEN: "open",
  COMPLETE: "signed by everyone",
  DECLINED: "declined",
  SENT_BACK: "sent back",
  WITHDRAWN: "withdrawn",
  EXPIRED: "not signed in time",
  REPLACED: "replaced by a corrected paper",
};

export type Filter = { text: string; state?: Row["state"]; type?: string; age?: number; team?: string };

/** Who has to act now, or how it ended. */
export function whose(row: Row): string {
  if (row.state !== "OPEN") {
    return row.sealing ? "signed, being sealed" : STATES[row.state];
  }
  const back = row.way.filter((t) => t.outcome === "TO_CONFIRM");
  const now = row.way.filter((t) => t.now);
  return now.length > 0
    ? now.map((t) => t.name).join(", ")
    : back.length > 0
      ? `${back.map((t) => t.name).join(", ")}: came back on paper, look at it`
      : "";
}

/** How far it has come to those whose turn it is: the one who is least far. */
export function reached(row: Row): { words: string; failed: boolean } {
  const now = row.way.filter((t) => t.now && t.toldAt);
  if (row.state !== "OPEN" || row.atDesk || now.length === 0) {
    return { words: "", failed: false };
  }
  const mailed = now.filter((t) => t.colleague || t.email);
  if (mailed.some((t) => t.notDelivered && !t.openedAt)) {
    return { words: "not delivered", failed: true };
  }
  if (mailed.length < now.length) {
    return { words: "no address", failed: true };
  }
  return {
    words: now.every((t) => t.openedAt)
      ? "opened"
      : now.every((t) => t.openedAt || t.deliveredAt)
        ? "delivered"
        : "sent",
    failed: false,
  };
}

export function matches(row: Row, filter: Filter, today: string): boolean {
  const words = [row.person, row.askedBy, ...row.papers.map((p) => p.name), ...row.way.map((t) => t.name)]
    .join(" ")
    .toLowerCase();
  return (
    filter.text
      .toLowerCase()
      .split(/\s+/)
      .every((word) => words.includes(word)) &&
    (!filter.state || row.state === filter.state) &&
    (!filter.type || row.papers.some((p) => p.type === filter.type)) &&
    (!filter.team || row.team === filter.team) &&
    (!filter.age || (row.since != null && daysBetween(dayOf(row.since), today) > filter.age))
  );
}

/** A text in a table for spreadsheets: quoted (RFC 4180), and none of them is taken for a formula. */
function quoted(text: string): string {
  return `"${(/^[=+\-@\t\r]/.test(text) ? `'${text}` : text).replaceAll('"', '""')}"`;
}

export function csvOf(rows: Row[]): string {
  const lines = rows.map((row) => [
    row.papers.map((p) => p.type).join(", "),
    row.person,
    STATES[row.state],
    whose(row),
    row.since ?? "",
    reached(row).words,
    row.dueOn ?? "",
    row.askedBy,
    row.askedAt,
    row.way.map((t) => `${t.name} (${t.role}${t.doneAt ? `, ${t.doneAt}` : ""})`).join("; "),
  ]);
  const head = [
    "paper",
    "person",
    "state",
    "whose turn",
    "since",
    "mail",
    "wanted by",
    "asked by",
    "asked at",
    "way",
  ];
  return [head, ...lines].map((line) => line.map(quoted).join(",")).join("\r\n");
}

import type { Shape } from "../api/client";

export type Status = Shape<"SlotAnswer">["status"];

/** The statuses of a slot, with their word and colour; the glyph differs in shape as well. */
export const statuses = {
  "on-file": { word: "On file", colour: "var(--juniper)" },
  expiring: { word: "Expiring", colour: "var(--ochre)" },
  "in-grace": { word: "In grace", colour: "var(--ochre)" },
  lapsed: { word: "Lapsed", colour: "var(--clay)" },
  missing: { word: "Missing", colour: "var(--clay)" },
  "sent-back": { word: "Sent back", colour: "var(--clay)" },
  "awaiting-signature": { word: "Awaiting signature", colour: "var(--plum)" },
  "in-review": { word: "In review", colour: "var(--slate)" },
  "not-yet-due": { word: "Not yet due", colour: "var(--slate)" },
  waived: { word: "Waived", colour: "var(--sand)" },
  "not-applicable": { word: "Not applicable", colour: "var(--sand)" },
} as const satisfies Record<Status, { word: string; colour: string }>;

/** True when somebody has to do something about the slot. */
export function isOpen(code: Status): boolean {
  return ["lapsed", "missing", "sent-back", "in-review", "awaiting-signature"].includes(code);
}

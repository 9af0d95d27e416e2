import type { Shape } from "../api/client";
import { colours } from "../theme/tokens";

export type Status = Shape<"SlotAnswer">["status"];

/** The statuses of a slot, with their word and colour; the glyph differs in shape as well. */
export const statuses = {
  "on-file": { word: "On file", colour: colours.juniper },
  expiring: { word: "Expiring", colour: colours.ochre },
  "in-grace": { word: "In grace", colour: colours.ochre },
  lapsed: { word: "Lapsed", colour: colours.clay },
  missing: { word: "Missing", colour: colours.clay },
  "sent-back": { word: "Sent back", colour: colours.clay },
  "awaiting-signature": { word: "Awaiting signature", colour: colours.plum },
  "in-review": { word: "In review", colour: colours.slate },
  "not-yet-due": { word: "Not yet due", colour: colours.slate },
  waived: { word: "Waived", colour: colours.sand },
  "not-applicable": { word: "Not applicable", colour: colours.sand },
} as const satisfies Record<Status, { word: string; colour: string }>;

/** True when somebody has to do something about the slot. */
export function isOpen(code: Status): boolean {
  return ["lapsed", "missing", "sent-back", "in-review", "awaiting-signature"].includes(code);
}

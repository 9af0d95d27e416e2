import type { Shape } from "../../api/client";
import { day, daysBetween, distance } from "../../ui/days";

type Slot = Shape<"SlotAnswer">;

/** What stands at the right of a slot: until when it is covered, since when it is not, what it waits for. */
export function slotWords(slot: Slot, today: string): string {
  const through = slot.coveredThrough;
  switch (slot.status) {
    case "on-file":
      return through ? day(through) : "no end";
    case "expiring":
      return through ? `${day(through)} · ${distance(through, today)}` : "";
    case "in-grace":
      return through ? `ran out ${day(through)} · in grace` : "in grace";
    case "lapsed":
      return through ? `lapsed ${day(through)} · ${daysBetween(through, today)} days` : "lapsed";
    case "missing":
      return slot.since ? `missing since ${day(slot.since)}` : "missing";
    case "not-yet-due":
      return slot.due ? `due ${day(slot.due)} · ${distance(slot.due, today)}` : "not yet due";
    case "in-review":
      return "waits for review";
    case "awaiting-signature":
      return "to be signed";
    case "sent-back":
      return "sent back";
    case "waived":
      return through ? `waived to ${day(through)}` : "waived";
    default:
      return "";
  }
}

/** True where a paper from the person would help, so that it can be added, asked for or waived. */
export function isWanting(slot: Slot): boolean {
  return ["missing", "lapsed", "sent-back", "in-grace", "not-yet-due"].includes(slot.status);
}

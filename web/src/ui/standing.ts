import { day } from "./days";

/** How a file stands, as the server tells it: the truth for everybody, and of hidden slots their number only. */
export type Verdict = { clear: boolean; clearThrough?: string | null; openSlots: number; hiddenOpen: number };

/** What is open, such as “2 slots open, 1 more you cannot see”; only for a file that is not clear. */
export function openWords({ openSlots, hiddenOpen }: Verdict): string {
  const seen = `${openSlots} ${openSlots === 1 ? "slot" : "slots"} open`;
  if (hiddenOpen === 0) {
    return seen;
  }
  return openSlots === 0
    ? `${hiddenOpen} ${hiddenOpen === 1 ? "requirement" : "requirements"} you cannot see`
    : `${seen}, ${hiddenOpen} more you cannot see`;
}

/** The same where there is little room, such as “1 slot open, 1 hidden”. */
export function briefOpenWords({ openSlots, hiddenOpen }: Verdict): string {
  const hidden = hiddenOpen > 0 ? [`${hiddenOpen} hidden`] : [];
  const seen = openSlots > 0 ? [`${openSlots} ${openSlots === 1 ? "slot" : "slots"} open`] : [];
  return [...seen, ...hidden].join(", ");
}

/** The whole verdict as one line. */
export function verdictWords(verdict: Verdict): string {
  if (!verdict.clear) {
    return `Not clear: ${openWords(verdict)}`;
  }
  return verdict.clearThrough ? `Clear through ${day(verdict.clearThrough)}` : "Clear without end";
}

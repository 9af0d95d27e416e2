import type { PlanStep } from "./planQueries";

/** What days are counted from, as it is chosen. */
export const OCCASIONS: Record<PlanStep["occasion"], { before: string; after: string; foreseen: boolean }> = {
  LAPSE: { before: "before it runs out", after: "after it ran out", foreseen: true },
  DUE: { before: "before it is due", after: "after it went missing", foreseen: true },
  SENT_BACK: { before: "", after: "after it was sent back", foreseen: false },
  SIGNATURE: { before: "", after: "waiting for signatures", foreseen: false },
  REVIEW: { before: "", after: "waiting to be looked at", foreseen: false },
};

const ON_THE_DAY: Record<PlanStep["occasion"], string> = {
  LAPSE: "On its last day",
  DUE: "On the day it is due",
  SENT_BACK: "On the day it is sent back",
  SIGNATURE: "On the first day it waits for signatures",
  REVIEW: "On the first day it waits to be looked at",
};

export const RELATIONS: Record<string, string> = {
  GUARDIAN: "guardian",
  PARENT: "parent",
  PARTNER: "spouse or partner",
  EMERGENCY_CONTACT: "emergency contact",
  PAYER: "payer",
  PHYSICIAN: "physician",
  REFERRER: "referrer",
  INSURER: "insurer",
};

/** Such as `30 days before it runs out`. */
export function whenWords(step: PlanStep): string {
  const { before, after } = OCCASIONS[step.occasion];
  const days = Math.abs(step.days);
  const count = days === 1 ? "1 day" : `${days} days`;
  const first = step.days === 0 ? ON_THE_DAY[step.occasion] : `${count} ${step.days < 0 ? before : after}`;
  return step.times > 1 ? `${first}, then every ${step.every} days, ${step.times} times in all` : first;
}

/** Whom a step tells. @param staff names of colleagues by their accounts */
export function whoWords(step: PlanStep, staff: Map<string, string>): string {
  const { who } = step;
  switch (who.kind) {
    case "PERSON":
      return "the person, or a child’s guardian";
    case "RELATED":
      return `the ${RELATIONS[who.relation ?? ""] ?? "related"}`;
    case "SUPERVISOR":
      return "the supervisor";
    case "COLLEAGUE":
      return staff.get(who.accountId ?? "") ?? "a colleague";
    case "OUTSIDE":
      return `${who.name} (${who.address})`;
    case "TASK":
      return who.accountId
        ? `a task in Today for ${staff.get(who.accountId) ?? "a colleague"}`
        : "a task in Today";
  }
}

/** What became of a mail, as people are told. */
export const STAGES: Record<string, { word: string; className: string }> = {
  QUEUED: { word: "on its way", className: "slate" },
  SENT: { word: "sent", className: "juniper" },
  DELIVERED: { word: "delivered", className: "juniper" },
  OPENED: { word: "link opened", className: "juniper" },
  ANSWERED: { word: "answered", className: "juniper" },
  BOUNCED: { word: "came back", className: "clay" },
  FAILED: { word: "not sent", className: "clay" },
  CANCELLED: { word: "no longer needed", className: "muted" },
};

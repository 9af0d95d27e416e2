/** The open JSON of checklists and types, as the server checks and keeps it. */

export type Condition =
  | { fact: string; is?: Scalar; isNot?: Scalar; in?: Scalar[] }
  | { ageUnder: number }
  | { ageAtLeast: number }
  | { all: Condition[] }
  | { any: Condition[] }
  | { not: Condition };

export type Scalar = string | number | boolean;

export type NotBefore = { from: "start"; days: number };

export type PointsEntry = {
  type: string;
  points: number;
  atMost?: number | null;
  within?: string | null;
  notBefore?: NotBefore | null;
};

export type Evidence =
  | { type: string; count?: number; within?: string | null; notBefore?: NotBefore | null }
  | { anyOf: Evidence[] }
  | { allOf: Evidence[] }
  | { points: number; of: PointsEntry[] };

export type Due = { from: "start" | "applies" | "fact"; name?: string; days: number };

export type Requirement = {
  code: string;
  appliesWhen?: Condition | null;
  evidence: Evidence;
  signedBy?: string[];
  due?: Due | null;
  leadDays?: number;
  graceDays?: number;
  needsReview?: boolean;
  level?: "blocking" | "advisory";
};

export type Checklist = {
  code: string;
  inForce?: { from?: string | null; to?: string | null };
  appliesWhen?: Condition | null;
  requirements: Requirement[];
};

export type Validity = {
  rule: "open" | "stated" | "period" | "seasonEnd" | "untilAge";
  anchor?: "documentDate" | "effectiveDate" | "receivedDate";
  period?: string;
  roundTo?: "endOfMonth";
  monthDay?: string;
  age?: number;
};

/** A code made of a name, not among the taken ones. */
export function codeOf(name: string, taken: string[]): string {
  const plain = name
    .normalize("NFD")
    .replace(/\p{M}/gu, "")
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, "-")
    .replace(/^[^a-z]+|-+$/g, "")
    .slice(0, 50);
  const first = plain || "x";
  let code = first;
  for (let i = 2; taken.includes(code); i++) {
    code = `${first}-${i}`;
  }
  return code;
}

/** A period such as `P2Y` as a number and its unit; null for one of several units. */
export function partsOf(period: string): { count: number; unit: "Y" | "M" | "W" | "D" } | null {
  const found = /^P(\d+)([YMWD])$/.exec(period);
  return found ? { count: Number(found[1]), unit: found[2] as "Y" | "M" | "W" | "D" } : null;
}

/** The list with one entry moved to another place. */
export function moved<T>(list: T[], from: number, to: number): T[] {
  const next = [...list];
  const [taken] = next.splice(from, 1);
  if (taken !== undefined) {
    next.splice(to, 0, taken);
  }
  return next;
}

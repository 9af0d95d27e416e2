import type { Shape } from "../../api/client";

/** The open JSON of checklists and types, as the server checks and keeps it. */
export type Condition = Shape<"ConditionRule">;
export type Scalar = Shape<"Scalar">;
export type NotBefore = Shape<"NotBeforeRule">;
export type PointsEntry = Shape<"PointsRule">;
export type Evidence = Shape<"EvidenceRule">;
export type Due = Shape<"DueRule">;
export type Requirement = Shape<"RequirementRule">;
export type Checklist = Shape<"ChecklistRule">;
export type Validity = Shape<"ValidityRule">;

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

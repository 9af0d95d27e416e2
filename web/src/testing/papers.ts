import type { Shape } from "../api/client";

type Paper = Shape<"DocumentAnswer">;
type Version = Shape<"VersionAnswer">;

/** A version of a paper as the API answers it. */
export function version(number: number, more: Partial<Version> = {}): Version {
  return {
    number,
    cause: number === 1 ? "as received" : "brought by Ottilie Brandmoor",
    madeBy: "Ottilie Brandmoor",
    madeAt: "2026-11-20T09:00:00Z",
    sha256: `hash${number}`,
    size: 12_000,
    mediaType: "application/pdf",
    pages: 2,
    turns: [],
    ...more,
  };
}

/** A paper as the API answers it. */
export function paper(more: Partial<Paper> = {}): Paper {
  return {
    id: "d1",
    fileId: "f1",
    type: "clearance",
    typeLabel: "Physician's clearance",
    changes: 3,
    furtherTypes: [],
    name: "Physician's clearance, 2026-11-12, Penhallow E",
    documentDate: "2026-11-12",
    fields: {},
    receivedOn: "2026-11-20",
    needsReview: false,
    reviewers: [],
    mayReview: true,
    source: "from the pickup “Office desk”",
    filedBy: "Ottilie Brandmoor",
    signers: [],
    unsignedBy: [],
    signatures: [],
    versions: [version(1)],
    ...more,
  };
}

/** The file of Edie, as far as the screens of papers need it. */
export const EDIE = { id: "f1", name: "Edie Penhallow", email: "edie@post.example" } as Shape<"FileAnswer">;

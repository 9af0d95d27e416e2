import type { components } from "../api/schema";

/** How a document stands by itself, as the server tells it. */
export type DocumentState = components["schemas"]["FoundPaper"]["state"];

/** As people read it within a sentence. */
export const documentStateWords: Record<DocumentState, string> = {
  ENTERED_IN_ERROR: "entered in error",
  AWAITED: "awaited",
  SENT_BACK: "sent back",
  UNSIGNED: "unsigned",
  IN_REVIEW: "in review",
  FILED: "filed",
};

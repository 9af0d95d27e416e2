import { useQueries } from "@tanstack/react-query";
import { documentOptions } from "../../documents/documentQueries";
import { AskModal } from "./AskModal";

/** Asks for signatures on several papers of one file in one request, as they are now. */
export function AskSeveral({ ids, onClose }: { ids: string[]; onClose: () => void }) {
  const papers = useQueries({ queries: ids.map((id) => documentOptions(id)) }).flatMap((q) =>
    q.data ? [q.data] : [],
  );
  if (papers.length < ids.length) {
    return null;
  }
  return (
    <AskModal
      papers={papers.map((paper) => {
        const newest = paper.versions[paper.versions.length - 1];
        return {
          id: paper.id,
          name: paper.name,
          version: paper.versions.length,
          pages: newest?.pages ?? 1,
          versionNumber: newest?.number ?? paper.versions.length,
        };
      })}
      onClose={onClose}
    />
  );
}

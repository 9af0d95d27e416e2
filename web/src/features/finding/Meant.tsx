import { useQuery } from "@tanstack/react-query";
import { answer, api } from "../../api/client";

/** Where nothing was found: what may have been meant, to be searched for instead. */
export function Meant({
  typed,
  fileId,
  onTake,
}: {
  typed: string;
  /** In which file the words are looked for; undefined for all papers. */
  fileId?: string;
  onTake: (words: string) => void;
}) {
  const meant = useQuery({
    queryKey: ["meant", typed, fileId],
    queryFn: () => answer(api.GET("/api/find/meant", { params: { query: { typed, fileId } } })),
    enabled: typed.trim() !== "",
    retry: false,
  }).data?.words;
  return meant ? (
    <span className="meant">
      Did you mean{" "}
      <button type="button" className="linklike" onClick={() => onTake(meant)}>
        {meant}
      </button>
      ?
    </span>
  ) : null;
}

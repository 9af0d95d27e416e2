import { useQuery } from "@tanstack/react-query";
import { day } from "../../ui/days";
import { visitsOptions } from "./visitQueries";

/** When the person comes next; nothing when that is not known. */
export function NextVisit({ fileId }: { fileId: string }) {
  const next = useQuery(visitsOptions(fileId)).data?.find((visit) => visit.isNext);
  return next ? (
    <span title={next.words ?? undefined}>
      next visit <strong>{day(next.day)}</strong>
    </span>
  ) : null;
}

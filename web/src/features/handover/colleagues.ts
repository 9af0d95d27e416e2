import { queryOptions, useQuery } from "@tanstack/react-query";
import { answer, api } from "../../api/client";
import { meOptions } from "../access/sessionQueries";

/** All who work in the practice, but oneself. */
export const colleaguesOptions = queryOptions({
  queryKey: ["colleagues"],
  queryFn: () => answer(api.GET("/api/colleagues")),
  staleTime: 60_000,
});

/** Those of them who may see a paper. */
export const colleaguesForOptions = (documentId: string) =>
  queryOptions({
    queryKey: ["colleagues", documentId],
    queryFn: () => answer(api.GET("/api/colleagues", { params: { query: { documentId } } })),
    staleTime: 60_000,
  });

/** All who work in the practice, oneself first, to be chosen from. */
export function useStaff(): { value: string; label: string }[] {
  const me = useQuery(meOptions).data;
  const others = useQuery(colleaguesOptions).data ?? [];
  return [
    ...(me ? [{ value: me.id, label: `${me.name} (me)` }] : []),
    ...others.map((c) => ({ value: c.id, label: c.name })),
  ];
}

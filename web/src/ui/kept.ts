import { queryOptions, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { answer, api, done } from "../api/client";

type Kept = Record<string, unknown>;

const keptOptions = queryOptions({
  queryKey: ["preferences"],
  queryFn: () => answer(api.GET("/api/preferences")) as Promise<Kept>,
  staleTime: Number.POSITIVE_INFINITY,
});

/** Like useState, but the value is remembered with the account: widths, columns, what is folded. */
export function useKept<T>(name: string, first: T): [T, (value: T) => void] {
  const queries = useQueryClient();
  const kept = useQuery(keptOptions).data;
  const { mutate } = useMutation({
    mutationFn: (value: T) =>
      done(api.PUT("/api/preferences/{name}", { params: { path: { name } }, body: value as never })),
  });
  const set = (value: T) => {
    queries.setQueryData<Kept>(keptOptions.queryKey, (before) => ({ ...before, [name]: value }));
    mutate(value);
  };
  return [(kept?.[name] as T | undefined) ?? first, set];
}

import { queryOptions } from "@tanstack/react-query";
import { answer, api } from "./client";

/** What usually goes with copies, by what their readers are. */
export const usualCopiesOptions = queryOptions({
  queryKey: ["set-up", "usual-copies"],
  queryFn: () => answer(api.GET("/api/usual-copies")),
  staleTime: 60_000,
});

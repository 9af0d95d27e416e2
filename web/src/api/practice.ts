import { queryOptions } from "@tanstack/react-query";
import { answer, api } from "./client";

/** What anyone may know of the practice. */
export const practiceOptions = queryOptions({
  queryKey: ["practice"],
  queryFn: () => answer(api.GET("/api/practice")),
  staleTime: 60_000,
});

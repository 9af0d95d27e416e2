import { queryOptions } from "@tanstack/react-query";
import { answer, api } from "../../api/client";

export const todayOptions = queryOptions({
  queryKey: ["files", "today"],
  queryFn: () => answer(api.GET("/api/today")),
  refetchInterval: 30_000,
});

/** How much waits, for the numbers beside the places. */
export const waitingOptions = queryOptions({
  queryKey: ["waiting-counts"],
  queryFn: () => answer(api.GET("/api/waiting-counts")),
  refetchInterval: 4_000,
});

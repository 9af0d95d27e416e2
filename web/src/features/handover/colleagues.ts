import { queryOptions } from "@tanstack/react-query";
import { answer, api } from "../../api/client";

/** All who work in the practice, but oneself. */
export const colleaguesOptions = queryOptions({
  queryKey: ["colleagues"],
  queryFn: () => answer(api.GET("/api/colleagues")),
  staleTime: 60_000,
});

import { queryOptions } from "@tanstack/react-query";
import { answer, api } from "../../api/client";

export const todayOptions = queryOptions({
  queryKey: ["files", "today"],
  queryFn: () => answer(api.GET("/api/today")),
  refetchInterval: 30_000,
});

import { queryOptions } from "@tanstack/react-query";
import { answer, api } from "../../api/client";

export const meOptions = queryOptions({
  queryKey: ["session"],
  queryFn: () => answer(api.GET("/api/session")),
  staleTime: 60_000,
  retry: false,
});

import { queryOptions } from "@tanstack/react-query";
import { answer, api } from "../../api/client";

export const typesOptions = queryOptions({
  queryKey: ["document-types"],
  queryFn: () => answer(api.GET("/api/document-types")),
  staleTime: 300_000,
});

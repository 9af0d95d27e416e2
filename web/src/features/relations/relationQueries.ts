import { queryOptions } from "@tanstack/react-query";
import { answer, api } from "../../api/client";

export const relationsOptions = (id: string) =>
  queryOptions({
    queryKey: ["files", id, "relations"],
    queryFn: () => answer(api.GET("/api/files/{id}/relations", { params: { path: { id } } })),
    staleTime: 30_000,
  });

export const relationKindsOptions = queryOptions({
  queryKey: ["relation-kinds"],
  queryFn: () => answer(api.GET("/api/relation-kinds")),
  staleTime: 300_000,
});

export const outsiderOptions = (id: string) =>
  queryOptions({
    queryKey: ["files", "outsider", id],
    queryFn: () => answer(api.GET("/api/outsiders/{id}", { params: { path: { id } } })),
  });

export const foundOutsidersOptions = (text: string) =>
  queryOptions({
    queryKey: ["files", "outsiders-found", text],
    queryFn: () => answer(api.GET("/api/outsiders/found", { params: { query: { text } } })),
    enabled: text.trim() !== "",
  });

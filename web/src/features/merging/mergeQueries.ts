import { queryOptions } from "@tanstack/react-query";
import { answer, api } from "../../api/client";

export const duplicatesOptions = queryOptions({
  queryKey: ["files", "duplicates"],
  queryFn: () => answer(api.GET("/api/duplicates")),
  staleTime: 600_000,
});

export const duplicatesOfOptions = (id: string) =>
  queryOptions({
    queryKey: ["files", id, "duplicates"],
    queryFn: () => answer(api.GET("/api/files/{id}/duplicates", { params: { path: { id } } })),
    staleTime: 60_000,
  });

export const mergesOptions = (id: string) =>
  queryOptions({
    queryKey: ["files", id, "merges"],
    queryFn: () => answer(api.GET("/api/files/{id}/merges", { params: { path: { id } } })),
    staleTime: 60_000,
  });

export const previewOptions = (kept: string, gone: string) =>
  queryOptions({
    queryKey: ["files", "merge-preview", kept, gone],
    queryFn: () => answer(api.GET("/api/merges/preview", { params: { query: { kept, gone } } })),
    staleTime: 0,
  });

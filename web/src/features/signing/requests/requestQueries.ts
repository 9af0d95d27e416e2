import { queryOptions } from "@tanstack/react-query";
import { answer, api } from "../../../api/client";

export const mySignaturesOptions = queryOptions({
  queryKey: ["my-signatures"],
  queryFn: () => answer(api.GET("/api/my-signatures")),
  refetchInterval: 30_000,
});

export const requestsOptions = (which: "asked" | "all", open: boolean) =>
  queryOptions({
    queryKey: ["signature-requests", which, open],
    queryFn: () => answer(api.GET("/api/signature-requests", { params: { query: { which, open } } })),
    refetchInterval: 30_000,
  });

export const requestOptions = (id: string) =>
  queryOptions({
    queryKey: ["signature-requests", "one", id],
    queryFn: () => answer(api.GET("/api/signature-requests/{id}", { params: { path: { id } } })),
  });

export const fileRequestsOptions = (fileId: string) =>
  queryOptions({
    queryKey: ["files", fileId, "signature-requests"],
    queryFn: () =>
      answer(api.GET("/api/files/{id}/signature-requests", { params: { path: { id: fileId } } })),
  });

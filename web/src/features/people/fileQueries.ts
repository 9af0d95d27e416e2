import { keepPreviousData, queryOptions } from "@tanstack/react-query";
import { answer, api } from "../../api/client";

export const kindsOptions = queryOptions({
  queryKey: ["kinds"],
  queryFn: () => answer(api.GET("/api/kinds")),
  staleTime: 300_000,
});

export const foundOptions = (text: string) =>
  queryOptions({
    queryKey: ["files", "found", text],
    queryFn: () => answer(api.GET("/api/files/found", { params: { query: { text, most: 8 } } })),
    enabled: text.trim() !== "",
  });

export const fileOptions = (id: string) =>
  queryOptions({
    queryKey: ["files", id],
    queryFn: () => answer(api.GET("/api/files/{id}", { params: { path: { id } } })),
  });

/** Of what kind a file is; asking is no look into it. */
export const kindOfFileOptions = (id: string) =>
  queryOptions({
    queryKey: ["files", id, "kind"],
    queryFn: () => answer(api.GET("/api/files/{id}/kind", { params: { path: { id } } })),
    staleTime: 300_000,
  });

export const ledgerOptions = (id: string, day: { asOf?: string; known?: string } = {}) =>
  queryOptions({
    queryKey: ["files", id, "ledger", day],
    queryFn: () => answer(api.GET("/api/files/{id}/ledger", { params: { path: { id }, query: day } })),
    placeholderData: keepPreviousData,
  });

export const trailOptions = (id: string) =>
  queryOptions({
    queryKey: ["files", id, "trail"],
    queryFn: () => answer(api.GET("/api/files/{id}/trail", { params: { path: { id } } })),
    staleTime: 0,
  });

export const sharedOptions = (id: string) =>
  queryOptions({
    queryKey: ["files", id, "shared"],
    queryFn: () => answer(api.GET("/api/files/{id}/shared", { params: { path: { id } } })),
  });

export const fileNoticesOptions = (id: string) =>
  queryOptions({
    queryKey: ["files", id, "notices"],
    queryFn: () => answer(api.GET("/api/files/{id}/notices", { params: { path: { id } } })),
    refetchInterval: 4_000,
  });

/** Whether an outside directory can be asked about people. */
export const directoryOptions = queryOptions({
  queryKey: ["directory"],
  queryFn: () => answer(api.GET("/api/directory")),
  staleTime: 300_000,
});

import { queryOptions } from "@tanstack/react-query";
import { answer, api, type Shape } from "../../api/client";

export type Draft = Shape<"Draft">;
export type ReaderKind = Shape<"ReaderRequest">["kind"];

export const readersOptions = (fileId: string) =>
  queryOptions({
    queryKey: ["files", fileId, "readers"],
    queryFn: () => answer(api.GET("/api/files/{id}/readers", { params: { path: { id: fileId } } })),
    staleTime: 60_000,
  });

export const copiesOptions = (fileId: string) =>
  queryOptions({
    queryKey: ["files", fileId, "copies"],
    queryFn: () => answer(api.GET("/api/files/{id}/copies", { params: { path: { id: fileId } } })),
  });

export const copyMailsOptions = (fileId: string) =>
  queryOptions({
    // beneath the copies: what changes them may change the mails
    queryKey: [...copiesOptions(fileId).queryKey, "mails"],
    queryFn: () => answer(api.GET("/api/files/{id}/copy-mails", { params: { path: { id: fileId } } })),
  });

export const bundlesOptions = (fileId: string) =>
  queryOptions({
    queryKey: ["files", fileId, "bundles"],
    queryFn: () => answer(api.GET("/api/files/{id}/bundles", { params: { path: { id: fileId } } })),
  });

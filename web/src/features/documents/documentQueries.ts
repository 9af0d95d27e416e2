import { queryOptions } from "@tanstack/react-query";
import { answer, api } from "../../api/client";

export const documentOptions = (id: string) =>
  queryOptions({
    queryKey: ["files", "document", id],
    queryFn: () => answer(api.GET("/api/documents/{id}", { params: { path: { id } } })),
  });

export const openSigningOptions = (documentId: string) =>
  queryOptions({
    queryKey: ["files", "document", documentId, "signing"],
    queryFn: () =>
      answer(api.GET("/api/documents/{documentId}/desk-signings/open", { params: { path: { documentId } } })),
  });

/** Papers of a file that were thrown away. */
export const wastebasketOptions = (fileId: string) =>
  queryOptions({
    queryKey: ["files", fileId, "wastebasket"],
    queryFn: () => answer(api.GET("/api/files/{fileId}/wastebasket", { params: { path: { fileId } } })),
  });

/** All papers of a file, as far as the viewer may see them. */
export const papersOptions = (id: string) =>
  queryOptions({
    queryKey: ["files", id, "papers"],
    queryFn: () => answer(api.GET("/api/files/{id}/papers", { params: { path: { id } } })),
  });

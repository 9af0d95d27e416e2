import { queryOptions } from "@tanstack/react-query";
import { answer, api, type Shape } from "../../api/client";

export const arrivalsOptions = queryOptions({
  queryKey: ["arrivals"],
  queryFn: () => answer(api.GET("/api/arrivals")),
  refetchInterval: 4_000,
});

export const typesOptions = queryOptions({
  queryKey: ["document-types"],
  queryFn: () => answer(api.GET("/api/document-types")),
  staleTime: 300_000,
});

export type Draft = {
  fileId?: string | null;
  type?: string | null;
  documentDate?: string | null;
  effectiveDate?: string | null;
  statedExpiry?: string | null;
};

/** The draft as filing details, once the three things that filing needs are there. */
export function complete(draft: Draft): Shape<"FilingDetails"> | null {
  const { fileId, type, documentDate } = draft;
  return fileId && type && documentDate ? { ...draft, fileId, type, documentDate } : null;
}

export const previewOptions = (arrival: string, draft: Draft) => {
  const body = complete(draft);
  return queryOptions({
    queryKey: ["arrivals", arrival, "preview", draft],
    queryFn: () =>
      answer(
        api.POST("/api/arrivals/{id}/preview", {
          params: { path: { id: arrival } },
          body: body ?? { fileId: "", type: "", documentDate: "" },
        }),
      ),
    enabled: body !== null,
    retry: false,
  });
};

import { queryOptions } from "@tanstack/react-query";
import { answer, api, type Shape } from "../../api/client";
import { isWholly } from "../signing/SignedOnPaper";

export type Arrival = Shape<"ArrivalAnswer">;
export type ArrivalDetail = Shape<"ArrivalDetail">;
export type PageRef = Shape<"PageRef">;

export const arrivalsOptions = queryOptions({
  queryKey: ["arrivals"],
  queryFn: () => answer(api.GET("/api/arrivals")),
  refetchInterval: 4_000,
});

/** One paper with what is proposed for it; asked again once its reading is over or its pages changed. */
export const arrivalOptions = (arrival: Arrival) =>
  queryOptions({
    queryKey: ["arrivals", arrival.id, "detail", arrival.reading?.pagesRead ?? "read", pagesKey(arrival)],
    queryFn: () => answer(api.GET("/api/arrivals/{id}", { params: { path: { id: arrival.id } } })),
    staleTime: 30_000,
    // while it is asked anew, what was proposed before stays, so that nothing flickers under a key
    placeholderData: (before: ArrivalDetail | undefined) => (before?.id === arrival.id ? before : undefined),
  });

export function pagesKey(arrival: Arrival): string {
  return arrival.pages.map((p) => `${p.sha256.slice(0, 8)}.${p.page}.${p.turn}`).join(" ");
}

/** The address of the image of a page as it now stands; changes with what stands there, so that no old one is shown. */
export function pageImage(arrival: Arrival, position: number, width: number): string {
  const page = arrival.pages[position - 1];
  const stamp = page ? `${page.sha256.slice(0, 8)}-${page.page}-${page.turn}` : "";
  return `/api/arrivals/${arrival.id}/pages/${position}?width=${width}&v=${stamp}`;
}

export type Draft = {
  fileId?: string | null;
  type?: string | null;
  /** What else the paper is. */
  furtherTypes?: string[];
  documentDate?: string | null;
  effectiveDate?: string | null;
  statedExpiry?: string | null;
  /** Values of the type's fields that were typed, by their names. */
  fields?: Record<string, string>;
  /** Signatures that are seen on the paper. */
  signedOnPaper?: Shape<"SignedOnPaper">[];
  /** Who is to review it instead of those its type names. */
  reviewer?: string | null;
  /** The guest of the file with whom it is shared once filed. */
  share?: { accountId: string; name: string };
};

/** All that a draft says the paper is, the type that names it first. */
export function draftTypes(draft: Draft): string[] {
  return [draft.type, ...(draft.furtherTypes ?? [])].filter((t): t is string => Boolean(t));
}

/** The values of the fields of these types: what was typed, else what was found on the paper. */
export function fieldValues(
  types: string[],
  typed: Record<string, string> | undefined,
  detail?: ArrivalDetail,
): Record<string, string> {
  const found = (detail?.proposals.fields ?? []).filter((f) => types.includes(f.type));
  return { ...Object.fromEntries(found.map((f) => [f.name, f.value])), ...typed };
}

/** What a person would enter if every sure proposal is right; what the paper came with goes first. */
export function proposedDraft(arrival: Arrival, detail?: ArrivalDetail): Draft {
  const sure = <T extends { preselected: boolean }>(list?: T[]) => list?.find((p) => p.preselected);
  const proposals = detail?.proposals;
  const person = sure(proposals?.persons)?.fileId;
  const given = arrival.isGiven ? arrival.fileId : undefined;
  const type = sure(proposals?.types)?.code ?? arrival.suggestedType;
  return {
    fileId: person ?? given,
    type,
    documentDate: sure(proposals?.documentDate)?.day,
    effectiveDate: undefined,
    statedExpiry: sure(proposals?.statedExpiry)?.day,
    fields: fieldValues(type ? [type] : [], undefined, detail),
  };
}

/** The draft as filing details, once the three things that filing needs are there. */
export function complete(draft: Draft): Shape<"FilingDetails"> | null {
  const { share: _later, ...details } = draft;
  const { fileId, type, documentDate, signedOnPaper } = details;
  const isSigned = isWholly(signedOnPaper);
  return fileId && type && documentDate && isSigned ? { ...details, fileId, type, documentDate } : null;
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

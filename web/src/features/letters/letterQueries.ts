import { queryOptions } from "@tanstack/react-query";
import { answer, api, type Shape } from "../../api/client";

export type Letter = Shape<"LetterAnswer">;
export type LetterLine = Shape<"LetterLine">;
export type Model = Shape<"ModelAnswer">;
export type ModelWords = Shape<"ModelWords">;
export type Block = Shape<"Block">;
export type Piece = Shape<"Piece">;
export type At = Shape<"At">;
export type Sheet = Shape<"Sheet">;
export type Attachment = Shape<"Attachment">;
export type OnForm = Shape<"OnForm">;
export type FormPlace = Shape<"FormPlace">;
export type LetterForm = Shape<"FormAnswer">;
export type Name = Shape<"Name">;

export const lettersOptions = queryOptions({
  queryKey: ["letters"],
  queryFn: () => answer(api.GET("/api/letters")),
});

export const lettersOfFileOptions = (fileId: string) =>
  queryOptions({
    queryKey: ["files", fileId, "letters"],
    queryFn: () => answer(api.GET("/api/files/{id}/letters", { params: { path: { id: fileId } } })),
  });

export const letterOptions = (id: string) =>
  queryOptions({
    queryKey: ["letters", id],
    queryFn: () => answer(api.GET("/api/letters/{id}", { params: { path: { id } } })),
  });

export const batchOptions = (id: string) =>
  queryOptions({
    queryKey: ["letters", "batches", id],
    queryFn: () => answer(api.GET("/api/letter-batches/{id}", { params: { path: { id } } })),
  });

export const modelsOptions = queryOptions({
  queryKey: ["letter-models"],
  queryFn: () => answer(api.GET("/api/letter-models")),
});

export const versionOptions = (versionId: string) =>
  queryOptions({
    queryKey: ["letter-models", "versions", versionId],
    queryFn: () =>
      answer(api.GET("/api/letter-models/versions/{id}", { params: { path: { id: versionId } } })),
    staleTime: Number.POSITIVE_INFINITY,
  });

export const versionChangesOptions = (versionId: string) =>
  queryOptions({
    queryKey: ["letter-models", "versions", versionId, "changes"],
    queryFn: () =>
      answer(api.GET("/api/letter-models/versions/{id}/changes", { params: { path: { id: versionId } } })),
  });

/** A PDF form of others, with its fields. */
export const formOptions = (id: string) =>
  queryOptions({
    queryKey: ["letter-forms", id],
    queryFn: () => answer(api.GET("/api/letter-forms/{id}", { params: { path: { id } } })),
    staleTime: Number.POSITIVE_INFINITY,
  });

export const namesOptions = queryOptions({
  queryKey: ["letter-names"],
  queryFn: () => answer(api.GET("/api/letter-names")),
  staleTime: 60_000,
});

/** Languages as people call them; a tag that the browser does not know stays as it is. */
export function languageName(tag: string): string {
  try {
    return new Intl.DisplayNames(["en"], { type: "language" }).of(tag) ?? tag;
  } catch {
    return tag;
  }
}

import { queryOptions } from "@tanstack/react-query";
import { answer, api, type Shape } from "../../api/client";

export type KeepingAll = Shape<"KeepingAnswer">;
export type KeepingPeriods = Shape<"KeepingPeriods">;
export type DueFile = Shape<"DueAnswer">;

export const keepingOptions = queryOptions({
  queryKey: ["keeping"],
  queryFn: () => answer(api.GET("/api/keeping")),
});

export const certificateOptions = (id: string) =>
  queryOptions({
    queryKey: ["keeping", "certificate", id],
    queryFn: () => answer(api.GET("/api/keeping/certificates/{id}", { params: { path: { id } } })),
  });

export const holdOptions = (fileId: string) =>
  queryOptions({
    queryKey: ["files", fileId, "keeping-hold"],
    queryFn: () => answer(api.GET("/api/files/{id}/keeping-hold", { params: { path: { id: fileId } } })),
  });

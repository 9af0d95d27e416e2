import { queryOptions } from "@tanstack/react-query";
import { answer, api } from "../../api/client";

/** Text picked from the papers of a file, the last first. */
export const excerptsOptions = (fileId: string) =>
  queryOptions({
    queryKey: ["files", fileId, "excerpts"],
    queryFn: () => answer(api.GET("/api/files/{id}/excerpts", { params: { path: { id: fileId } } })),
  });

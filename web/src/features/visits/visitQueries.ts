import { queryOptions } from "@tanstack/react-query";
import { answer, api } from "../../api/client";

export const visitsOptions = (fileId: string) =>
  queryOptions({
    queryKey: ["files", fileId, "visits"],
    queryFn: () => answer(api.GET("/api/files/{fileId}/visits", { params: { path: { fileId } } })),
  });

import { queryOptions } from "@tanstack/react-query";
import { answer, api } from "../../api/client";

export const noticesOptions = queryOptions({
  queryKey: ["notices"],
  queryFn: () => answer(api.GET("/api/notices")),
  refetchInterval: 10_000,
});

export const chaseOptions = (fileId: string) =>
  queryOptions({
    queryKey: ["files", fileId, "chase"],
    queryFn: () => answer(api.GET("/api/files/{id}/chase", { params: { path: { id: fileId } } })),
    staleTime: 0,
    gcTime: 0,
  });

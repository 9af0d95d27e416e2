import { queryOptions } from "@tanstack/react-query";
import { answer, api } from "../../api/client";

export const signingOptions = (id: string) =>
  queryOptions({
    queryKey: ["desk-signings", id],
    queryFn: () => answer(api.GET("/api/desk-signings/{id}", { params: { path: { id } } })),
  });

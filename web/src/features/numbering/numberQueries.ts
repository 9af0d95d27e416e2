import { queryOptions } from "@tanstack/react-query";
import { answer, api, type Shape } from "../../api/client";

export type NumberPlace = Shape<"NumbersRequest">["place"];
export type NumberSet = Shape<"NumberSetAnswer">;

export const numberSetsOptions = (fileId: string) =>
  queryOptions({
    queryKey: ["files", fileId, "number-sets"],
    queryFn: () => answer(api.GET("/api/files/{id}/number-sets", { params: { path: { id: fileId } } })),
  });

export const numberPlanOptions = (wish: Shape<"NumbersRequest">) =>
  queryOptions({
    queryKey: ["files", "number-plan", wish],
    queryFn: () => answer(api.POST("/api/number-sets/look", { body: wish })),
    retry: false,
    // what is free changes with every set, also with those of others
    staleTime: 0,
    gcTime: 0,
  });

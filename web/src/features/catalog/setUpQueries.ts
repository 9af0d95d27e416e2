import { queryOptions } from "@tanstack/react-query";
import { answer, api, type Shape } from "../../api/client";
import type { Checklist, Validity } from "./rules";

export type TypeSetUp = Omit<Shape<"TypeSetUp">, "validity"> & { validity: Validity };
export type Version = Omit<Shape<"ChecklistVersionAnswer">, "definition"> & { definition: Checklist };
export type ChecklistSetUp = Omit<Shape<"ChecklistSetUp">, "versions"> & { versions: Version[] };
export type KindSetUp = Shape<"KindSetUp">;

export const setUpKindsOptions = queryOptions({
  queryKey: ["set-up", "kinds"],
  queryFn: () => answer(api.GET("/api/set-up/kinds")),
});

export const setUpSectionsOptions = queryOptions({
  queryKey: ["set-up", "sections"],
  queryFn: () => answer(api.GET("/api/set-up/sections")),
});

export const setUpTypesOptions = queryOptions({
  queryKey: ["set-up", "types"],
  queryFn: async () => (await answer(api.GET("/api/set-up/document-types"))) as unknown as TypeSetUp[],
});

export const setUpChecklistsOptions = queryOptions({
  queryKey: ["set-up", "checklists"],
  queryFn: async () => (await answer(api.GET("/api/set-up/checklists"))) as unknown as ChecklistSetUp[],
});

import { queryOptions } from "@tanstack/react-query";
import { answer, api, type Shape } from "../../api/client";

export type TypeSetUp = Shape<"TypeSetUp">;
export type Version = Shape<"ChecklistVersionAnswer">;
export type ChecklistSetUp = Shape<"ChecklistSetUp">;
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
  queryFn: () => answer(api.GET("/api/set-up/document-types")),
});

export const setUpChecklistsOptions = queryOptions({
  queryKey: ["set-up", "checklists"],
  queryFn: () => answer(api.GET("/api/set-up/checklists")),
});

/** The roles in which colleagues sign. */
export const signerRolesOptions = queryOptions({
  // beneath the accounts: a change of one may be a change of its role
  queryKey: ["set-up", "accounts", "roles"],
  queryFn: async () => {
    const accounts = await answer(api.GET("/api/set-up/accounts"));
    return [...new Set(accounts.flatMap((a) => (a.post.signsAs ? [a.post.signsAs] : [])))].sort();
  },
});

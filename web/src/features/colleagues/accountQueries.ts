import { queryOptions } from "@tanstack/react-query";
import { answer, api, type Shape } from "../../api/client";

export type StaffAccount = Shape<"StaffAccount">;

/** All who work or worked here. */
export const accountsOptions = queryOptions({
  queryKey: ["set-up", "accounts"],
  queryFn: () => answer(api.GET("/api/set-up/accounts")),
});

export const whoSeesOptions = (fileId: string) =>
  queryOptions({
    queryKey: ["files", fileId, "who-sees"],
    queryFn: () => answer(api.GET("/api/files/{id}/who-sees", { params: { path: { id: fileId } } })),
  });

/** Whether one can sign in, in a word. */
export const STATES: Record<StaffAccount["state"], string> = {
  INVITED: "invited",
  ACTIVE: "active",
  PAUSED: "paused",
  ENDED: "ended",
};

/** What an account may, in one line: `every team · sensitive papers · looks only`. */
export function rightsOf(account: StaffAccount): string {
  return [
    account.role === "ADMINISTRATOR" ? "administrator" : account.team ? `team ${account.team}` : "every team",
    account.seesSensitive ? "sensitive papers" : "no sensitive papers",
    !account.mayChange && "looks only",
  ]
    .filter(Boolean)
    .join(" · ");
}

import { queryOptions } from "@tanstack/react-query";
import { answer, api, type Shape } from "../../api/client";

export type StaffAccount = Shape<"StaffAccount">;
export type Team = Shape<"TeamAnswer">;
export type Reach = Shape<"Scope">["reach"];

/** All who work or worked here. */
export const accountsOptions = queryOptions({
  queryKey: ["set-up", "accounts"],
  queryFn: () => answer(api.GET("/api/set-up/accounts")),
});

/** The teams, and the departments and areas they lie in. */
export const teamsOptions = queryOptions({
  queryKey: ["set-up", "teams"],
  queryFn: () => answer(api.GET("/api/set-up/teams")),
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

/** Whose files somebody sees, largest first. */
export const REACHES: Record<Reach, string> = {
  EVERYBODY: "everybody",
  AREA: "their area",
  DEPARTMENT: "their department",
  TEAM: "their team",
  OWN_PEOPLE: "their own people",
};

function filesOf({ reach, team, leads }: StaffAccount["scope"]): string {
  const led = leads.length > 0 && reach !== "EVERYBODY" ? ` and ${[...leads].sort().join(", ")}` : "";
  switch (reach) {
    case "EVERYBODY":
      return "everybody";
    case "OWN_PEOPLE":
      return `own people${led}`;
    case "TEAM":
      return `team ${team}${led}`;
    default:
      return `${reach.toLowerCase()} of ${team}${led}`;
  }
}

/** What an account may, in one line: `team Therapy · sensitive papers · looks only`. */
export function rightsOf({ role, scope }: StaffAccount): string {
  return [
    role === "ADMINISTRATOR" ? "administrator" : filesOf(scope),
    scope.seesSensitive
      ? "sensitive papers"
      : scope.seesSections.length + scope.seesTypes.length > 0
        ? "some sensitive papers"
        : "no sensitive papers",
    !scope.mayChange && "looks only",
    scope.marking === "OPENS_COVERS" && "may open covers",
  ]
    .filter(Boolean)
    .join(" · ");
}

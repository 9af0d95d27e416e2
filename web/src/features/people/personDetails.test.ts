import { expect, test } from "vitest";
import { personDetails } from "./PersonFields";

test("facts that were left empty are left out", () => {
  const details = personDetails("employee", {
    givenName: "Tamsin",
    familyName: "Korhola",
    facts: { role: "instructor", supervisor: "", drivesMinibus: undefined, worksWithChildren: null },
  });
  expect(details.facts).toEqual({ role: "instructor" });
  expect(details.kind).toBe("employee");
});

test("someone with one name only has an empty given name", () => {
  expect(
    personDetails("client", { givenName: undefined as unknown as string, familyName: "Quillon" }).givenName,
  ).toBe("");
});

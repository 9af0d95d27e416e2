import { cleanup, fireEvent, screen, waitFor } from "@testing-library/react";
import { afterEach, expect, test } from "vitest";
import { Refusal, serve, show } from "../../testing/screen";
import { asTree, TeamsSetUp } from "./TeamsSetUp";

afterEach(cleanup);

const TEAMS = [
  { name: "Riding school", size: "TEAM", within: "Horses" },
  { name: "Yard", size: "AREA" },
  { name: "Horses", size: "DEPARTMENT", within: "Yard" },
  { name: "Office", size: "TEAM" },
] as const;

test("teams stand below what they lie in, the largest first; two that name each other are not lost", () => {
  const names = (lines: Parameters<typeof asTree>[0]) =>
    asTree(lines).map(({ at, depth }) => "-".repeat(depth) + lines[at]?.name);
  expect(names([...TEAMS])).toEqual(["Yard", "-Horses", "--Riding school", "Office"]);
  expect(
    names([
      { name: "A", size: "TEAM", within: "B" },
      { name: "B", size: "TEAM", within: "A" },
    ]),
  ).toEqual(["A", "B"]);
});

test("a team is added into a department; a refusal stands at its line and nothing is lost", async () => {
  let refuses = true;
  const calls = serve({
    "GET /api/set-up/teams": TEAMS,
    "PUT /api/set-up/teams": () =>
      refuses
        ? new Refusal(422, {
            detail: "There is another one.",
            problems: [{ field: "teams.4.name", message: "There is another one." }],
          })
        : {},
  });
  show(<TeamsSetUp />);
  fireEvent.click(await screen.findByText("Add a team"));
  fireEvent.change(screen.getByLabelText("Name"), { target: { value: "Stables" } });
  fireEvent.mouseDown(screen.getByLabelText("In which Stables lies"));
  fireEvent.click(
    await screen.findByText("in Horses", {
      selector: ".ant-select-dropdown:not(.ant-select-dropdown-hidden) .ant-select-item-option-content",
    }),
  );
  fireEvent.click(screen.getByRole("button", { name: "Save" }));
  await waitFor(() =>
    expect(screen.getByDisplayValue("Stables").className).toContain("ant-input-status-error"),
  );
  refuses = false;
  fireEvent.click(screen.getByRole("button", { name: "Save" }));
  await screen.findByText("Saved.");
  const sent = calls.filter((c) => c.method === "PUT");
  expect(sent).toHaveLength(2);
  expect(sent[1]?.body).toEqual({
    teams: [...TEAMS, { name: "Stables", size: "TEAM", within: "Horses" }],
  });
});

test("what lay in a team that goes lies in none", async () => {
  const calls = serve({ "GET /api/set-up/teams": TEAMS, "PUT /api/set-up/teams": {} });
  show(<TeamsSetUp />);
  fireEvent.click(await screen.findByLabelText("Remove Horses"));
  fireEvent.click(screen.getByRole("button", { name: "Save" }));
  await screen.findByText("Saved.");
  expect(calls.find((c) => c.method === "PUT")?.body).toEqual({
    teams: [{ name: "Riding school", size: "TEAM" }, TEAMS[1], TEAMS[3]],
  });
});

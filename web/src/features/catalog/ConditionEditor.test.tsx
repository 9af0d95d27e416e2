import { cleanup, fireEvent, screen, within } from "@testing-library/react";
import { useEffect, useState } from "react";
import { afterEach, expect, test } from "vitest";
import { show } from "../../testing/screen";
import { ConditionEditor, type KnownFacts } from "./ConditionEditor";
import type { Condition } from "./rules";

afterEach(cleanup);

const KNOWN: KnownFacts = {
  kinds: [
    { code: "employee", label: "Employee" },
    { code: "client", label: "Client" },
  ],
  facts: [
    {
      name: "role",
      label: "Role",
      form: "CHOICE",
      choices: ["instructor", "groom"],
      key: true,
      sensitive: false,
    },
    { name: "drives", label: "Drives", form: "YES_NO", choices: [], key: false, sensitive: false },
    { name: "lessons", label: "Lessons", form: "NUMBER", choices: [], key: false, sensitive: false },
    { name: "locker", label: "Locker", form: "TEXT", choices: [], key: false, sensitive: false },
  ],
};

type EditingProps = { first: Condition | null; onTell: (condition: Condition | null) => void };

function Editing({ first, onTell }: EditingProps) {
  const [condition, setCondition] = useState(first);
  useEffect(() => onTell(condition), [condition, onTell]);
  return <ConditionEditor condition={condition} known={KNOWN} none="of everyone" onChange={setCondition} />;
}

/** Shows the editor and tells the condition as it stands. */
function edit(first: Condition | null): () => Condition | null {
  let last = first;
  const tell = (condition: Condition | null) => {
    last = condition;
  };
  show(<Editing first={first} onTell={tell} />);
  return () => last;
}

async function choose(label: string, option: string) {
  const field = screen.getAllByLabelText(label)[0] as HTMLElement;
  fireEvent.mouseDown(field.closest(".ant-select")?.querySelector(".ant-select-content") ?? field);
  fireEvent.click(await screen.findByTitle(option));
}

test("without a condition it says of whom, and a fact can be added", async () => {
  const condition = edit(null);
  expect(screen.getByText("of everyone")).toBeTruthy();
  await choose("only those whose…", "role");
  expect(condition()).toEqual({ fact: "role", is: "instructor" });
  expect(screen.getByText("role")).toBeTruthy();
});

test("each form of fact begins with a value it can have", async () => {
  for (const [option, expected] of [
    ["drives", { fact: "drives", is: true }],
    ["lessons", { fact: "lessons", is: 1 }],
    ["age is under", { ageUnder: 18 }],
    ["age is at least", { ageAtLeast: 18 }],
    ["kind of file", { fact: "kind", is: "employee" }],
  ] as const) {
    const condition = edit(null);
    await choose("only those whose…", option);
    expect(condition()).toEqual(expected);
    cleanup();
  }
});

test("and, or and not join conditions, and a group of one is that one again", () => {
  const condition = edit({ ageUnder: 18 });
  fireEvent.click(screen.getByText("and…"));
  expect(condition()).toEqual({ all: [{ ageUnder: 18 }, { fact: "role", is: "instructor" }] });
  fireEvent.click(screen.getByText("all of"));
  expect(condition()).toEqual({ any: [{ ageUnder: 18 }, { fact: "role", is: "instructor" }] });
  fireEvent.click(screen.getAllByLabelText("Remove this condition")[1] as HTMLElement);
  expect(condition()).toEqual({ ageUnder: 18 });
  fireEvent.click(screen.getByText("not"));
  expect(condition()).toEqual({ not: { ageUnder: 18 } });
  fireEvent.click(screen.getAllByText("not")[0] as HTMLElement);
  expect(condition()).toEqual({ ageUnder: 18 });
});

test("removing the last condition leaves none", () => {
  const condition = edit({ not: { fact: "role", is: "groom" } });
  fireEvent.click(screen.getByLabelText("Remove this condition"));
  expect(condition()).toBeNull();
  expect(screen.getByText("of everyone")).toBeTruthy();
});

test("turning a comparison keeps its value", async () => {
  const condition = edit({ fact: "role", is: "groom" });
  await choose("Comparison", "is not");
  expect(condition()).toEqual({ fact: "role", isNot: "groom" });
  await choose("Comparison", "is one of");
  expect(condition()).toEqual({ fact: "role", in: ["groom"] });
});

test("years and words are typed", () => {
  const years = edit({ ageAtLeast: 18 });
  fireEvent.change(screen.getByLabelText("Years"), { target: { value: "21" } });
  expect(years()).toEqual({ ageAtLeast: 21 });
  cleanup();
  const words = edit({ fact: "locker", is: "…" });
  fireEvent.change(screen.getByLabelText("Value"), { target: { value: "B 4" } });
  expect(words()).toEqual({ fact: "locker", is: "B 4" });
});

test("conditions nest to any depth", () => {
  edit({
    any: [{ fact: "role", is: "groom" }, { all: [{ ageUnder: 18 }, { not: { fact: "drives", is: true } }] }],
  });
  const outer = screen.getByText("any of").closest(".sentence-group") as HTMLElement;
  const inner = within(outer).getByText("all of").closest(".sentence-group") as HTMLElement;
  expect(within(inner).getByText("drives")).toBeTruthy();
});

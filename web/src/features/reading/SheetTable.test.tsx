import { cleanup, screen } from "@testing-library/react";
import { afterEach, beforeEach, expect, test } from "vitest";
import { show } from "../../testing/screen";
import { SheetTable } from "./SheetTable";

afterEach(cleanup);

let text = "";
let status = 200;
beforeEach(() => {
  status = 200;
  globalThis.fetch = (async () => new Response(text, { status })) as typeof fetch;
});

test("the first line heads the columns; quotes, commas in them and a mark of order are understood", async () => {
  text = '\uFEFFRider,Lessons\n"Adair, Jon",4\n\nMirabel Oyelaran,2\n';
  show(<SheetTable source="/sheet" />);
  await screen.findByText("Rider");
  screen.getByText("Lessons");
  screen.getByText("Adair, Jon");
  screen.getByText("Mirabel Oyelaran");
});

test("a sheet that cannot be fetched says so", async () => {
  status = 404;
  text = JSON.stringify({ detail: "There is no such paper." });
  show(<SheetTable source="/sheet" />);
  await screen.findByText(/There is no such paper/);
});

test("of a very long sheet the first lines are shown, and that is said", async () => {
  text = `Day,Riders\n${Array.from({ length: 5_002 }, (_, i) => `day ${i},${i}`).join("\n")}`;
  show(<SheetTable source="/sheet" />);
  await screen.findByText("The first 5,000 lines; the download holds all.");
  expect(screen.queryByText("day 5001")).toBeNull();
});

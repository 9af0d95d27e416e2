import { cleanup, fireEvent, screen, waitFor } from "@testing-library/react";
import { useLocation } from "react-router";
import { afterEach, expect, test } from "vitest";
import { OTTILIE, PRACTICE, serve, show } from "../../testing/screen";
import { AsOfRibbon } from "./AsOfRibbon";
import { useMayChange } from "./asOf";

afterEach(cleanup);

function Page() {
  const { search } = useLocation();
  const mayChange = useMayChange();
  return (
    <>
      <AsOfRibbon />
      <output>{search}</output>
      <span>{mayChange ? "may change" : "may only look"}</span>
    </>
  );
}

function at(address: string) {
  serve({ "GET /api/practice": PRACTICE, "GET /api/session": OTTILIE });
  show(<Page />, address);
}

const search = () => document.querySelector("output")?.textContent;

test("a past day is told, and nothing can be changed on it", async () => {
  at("/files?asOf=2026-11-01&q=hay");
  await screen.findByText("As of 1 Nov 2026");
  await screen.findByText(/24 days ago · nothing can be changed/);
  screen.getByText("may only look");
  fireEvent.click(screen.getByText("as known now"));
  await waitFor(() => expect(search()).toBe("?asOf=2026-11-01&q=hay&known=now"));
  fireEvent.click(screen.getByRole("button", { name: "Back to today" }));
  await waitFor(() => expect(search()).toBe("?q=hay"));
  await screen.findByText("may change");
});

test("a day ahead says what it rests on", async () => {
  at("/files?asOf=2027-01-01");
  await screen.findByText("As of 1 Jan 2027");
  await screen.findByText(/if nothing new comes in/);
  expect(screen.queryByText("as known now")).toBeNull();
});

test("today, and what is no day, show no ribbon", async () => {
  at("/files?asOf=yesterday");
  await screen.findByText("may change");
  expect(screen.queryByText(/As of/)).toBeNull();
});

import { cleanup, fireEvent, screen, waitFor } from "@testing-library/react";
import { afterEach, expect, test } from "vitest";
import { OTTILIE, serve, show } from "../../testing/screen";
import { Frame } from "./Frame";

afterEach(() => {
  cleanup();
  localStorage.clear();
});

function frame(mayChange: boolean) {
  serve({
    "GET /api/session": { ...OTTILIE, name: "Dilan Achterberg", role: "COLLEAGUE", mayChange },
    "GET /api/desks": ["Front desk", "Office desk"],
    "GET /api/arrivals": [],
  });
  show(<Frame>the view</Frame>);
}

const menu = async () => fireEvent.click(await screen.findByLabelText("My account, Dilan Achterberg"));

test("whoever works at a desk says at which one the computer is, and it is kept with the browser", async () => {
  frame(true);
  await menu();
  fireEvent.click(await screen.findByText("Front desk"));
  await waitFor(() => expect(localStorage.getItem("denfold.desk")).toBe("Front desk"));
  await menu();
  const chosen = (await screen.findAllByLabelText("chosen"))[0]?.closest("li");
  expect(chosen?.textContent).toContain("Front desk");
});

test("who may only look is at no desk", async () => {
  frame(false);
  await menu();
  await screen.findByText("Sign out");
  expect(screen.queryByText("Front desk")).toBeNull();
});

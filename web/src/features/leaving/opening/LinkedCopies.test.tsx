import { cleanup, fireEvent, screen } from "@testing-library/react";
import { afterEach, expect, test } from "vitest";
import { PRACTICE, Refusal, serve, show } from "../../../testing/screen";
import { LinkedCopiesPage } from "./LinkedCopiesPage";

afterEach(cleanup);

const open = () => show(<LinkedCopiesPage />, "/copies/abc", "/copies/:token");

test("papers behind a link are listed after the code, looked at and downloaded", async () => {
  let isOpen = false;
  serve({
    "GET /api/practice": PRACTICE,
    "GET /api/linked-copies/abc/door": () => ({
      practice: PRACTICE.name,
      to: "p…@hallam.example",
      open: isOpen,
    }),
    "POST /api/linked-copies/abc/code": {},
    "POST /api/linked-copies/abc/enter": () => {
      isOpen = true;
      return {};
    },
    "GET /api/linked-copies/abc": {
      practice: PRACTICE.name,
      reader: "Hallam Insurance",
      by: "Ottilie Brandmoor",
      endsOn: "2026-12-09",
      copies: [
        { id: "c1", name: "Letter, copy 17", pages: 2 },
        { id: "c2", name: "Table, copy 18", pages: 0 },
      ],
    },
  });
  open();
  expect(await screen.findByText("p…@hallam.example")).toBeTruthy();
  expect(screen.queryByText("Letter, copy 17")).toBeNull();
  fireEvent.click(screen.getByRole("button", { name: "Send me the code" }));
  fireEvent.change(await screen.findByLabelText("Code"), { target: { value: "123456" } });
  fireEvent.click(screen.getByRole("button", { name: "Go on" }));
  expect(await screen.findByRole("heading", { name: "Papers for Hallam Insurance" })).toBeTruthy();
  expect(screen.getByText(/until 9 Dec 2026/)).toBeTruthy();
  expect(screen.getAllByRole("button", { name: "Look at it" })).toHaveLength(1);
  expect(screen.queryByAltText("Letter, copy 17, page 2 of 2")).toBeNull();
  fireEvent.click(screen.getByRole("button", { name: "Look at it" }));
  expect(screen.getByAltText("Letter, copy 17, page 2 of 2")).toBeTruthy();
  expect(screen.getAllByText("Download")[1]?.getAttribute("href")).toBe("/api/linked-copies/abc/c2/content");
});

test("a link that has ended says what to do", async () => {
  serve({
    "GET /api/practice": PRACTICE,
    "GET /api/linked-copies/abc/door": new Refusal(410, {
      detail: "This link has ended. Ask the practice to send the papers again.",
    }),
  });
  open();
  expect(await screen.findByText(/This link has ended/)).toBeTruthy();
});

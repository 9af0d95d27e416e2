import { cleanup, fireEvent, screen, waitFor } from "@testing-library/react";
import { useState } from "react";
import { afterEach, expect, test } from "vitest";
import { PRACTICE, serve, show } from "../testing/screen";
import { DayField } from "./DayField";

afterEach(cleanup);

function Kept({ first = null }: { first?: string | null }) {
  const [iso, setIso] = useState<string | null>(first);
  const [entered, setEntered] = useState("");
  return (
    <>
      <DayField label="Dated" value={iso} onChange={setIso} onEnter={(d) => setEntered(d ?? "nothing")} />
      <output>{iso ?? "none"}</output>
      <span data-testid="entered">{entered}</span>
      <button type="button">next</button>
    </>
  );
}

function type(text: string) {
  const field = screen.getByLabelText("Dated");
  fireEvent.mouseDown(field);
  fireEvent.focus(field);
  fireEvent.change(field, { target: { value: text } });
  return field;
}

test("Enter takes what is typed, in whatever notation", async () => {
  serve({ "GET /api/practice": PRACTICE });
  show(<Kept />);
  fireEvent.keyDown(type("Nov 15, 2025"), { key: "Enter", code: "Enter" });
  await screen.findByText("2025-11-15", { selector: "output" });
  expect(screen.getByTestId("entered").textContent).toBe("2025-11-15");
  fireEvent.keyDown(type("15.11.24"), { key: "Enter", code: "Enter" });
  await screen.findByText("2024-11-15", { selector: "output" });
  expect(screen.queryByText(/Read as/)).toBeNull();
});

test("a day that could be another one is spelled out, in the practice's order", async () => {
  serve({ "GET /api/practice": { ...PRACTICE, dayOrder: "MONTH_FIRST" } });
  show(<Kept />);
  await waitFor(() => {
    fireEvent.blur(type("3/4/2025"));
    expect(screen.getByText("Read as 4 March 2025, month before day.")).toBeTruthy();
  });
  expect(screen.getByText("2025-03-04", { selector: "output" })).toBeTruthy();
});

test("that a day could be another one stays said when the field is left", async () => {
  serve({ "GET /api/practice": PRACTICE });
  show(<Kept />);
  await waitFor(() => {
    fireEvent.keyDown(type("3/4/2025"), { key: "Enter", code: "Enter" });
    expect(screen.getByText("Read as 3 April 2025, day before month.")).toBeTruthy();
  });
  fireEvent.blur(screen.getByLabelText("Dated"));
  await screen.findByText("2025-04-03", { selector: "output" });
  screen.getByText("Read as 3 April 2025, day before month.");
});

test("what is no day is refused in words, and the former day counts no more", async () => {
  serve({ "GET /api/practice": PRACTICE });
  show(<Kept first="2026-01-07" />);
  const field = type("31/2/2025");
  fireEvent.blur(field);
  await screen.findByText("There is no 31 February 2025.");
  expect(screen.getByText("none", { selector: "output" })).toBeTruthy();
  fireEvent.blur(type("28/2/2025"));
  await screen.findByText("2025-02-28", { selector: "output" });
  expect(screen.queryByText(/There is no/)).toBeNull();
});

test("weeks begin as the practice's do", async () => {
  serve({ "GET /api/practice": { ...PRACTICE, weekStart: 1 } });
  show(<Kept first="2026-11-29" />);
  fireEvent.mouseDown(screen.getByLabelText("Dated"));
  fireEvent.click(screen.getByLabelText("Dated"));
  await waitFor(() => expect(document.querySelector(".ant-picker-content thead th")?.textContent).toBe("Mo"));
});

test("a day that is wiped out of the field is gone", async () => {
  serve({ "GET /api/practice": PRACTICE });
  show(<Kept first="2026-01-07" />);
  fireEvent.blur(type(""));
  await screen.findByText("none", { selector: "output" });
});

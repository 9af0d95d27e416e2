import { cleanup, render, screen } from "@testing-library/react";
import { afterEach, expect, test } from "vitest";
import { StatusGlyph } from "./StatusGlyph";
import { type Status, statuses } from "./statuses";

afterEach(cleanup);

test("every status has a shape of its own, not only a colour", () => {
  const drawings = (Object.keys(statuses) as Status[]).map((status) => {
    const { container } = render(<StatusGlyph status={status} />);
    return container.innerHTML
      .replace(/#[0-9A-Fa-f]{6}/g, "")
      .replace(/<title>.*?<\/title>|aria-label="[^"]*"/g, "");
  });
  expect(new Set(drawings).size).toBe(drawings.length);
});

test("the word stands in the accessible name", () => {
  render(<StatusGlyph status="lapsed" label="First aid" />);
  expect(screen.getByRole("img", { name: "First aid: lapsed" })).toBeTruthy();
});

import { cleanup, fireEvent, screen } from "@testing-library/react";
import { afterEach, expect, test } from "vitest";
import { Problem } from "../../api/client";
import { show } from "../../testing/screen";
import { LinkedPaper } from "./LinkedPaper";

afterEach(cleanup);

const LINK = { address: "https://plans.example/rider-12", label: "Plan of rider 12" };

test("a link is asked only when somebody wants to know", async () => {
  let asked = 0;
  const check = async () => {
    asked++;
    return { reached: false, words: "It answers that it cannot show the paper: 404 Not Found." };
  };
  show(<LinkedPaper link={LINK} check={check} />);
  expect(screen.getByRole("link", { name: LINK.address }).getAttribute("rel")).toContain("noopener");
  expect(asked).toBe(0);
  fireEvent.click(screen.getByRole("button", { name: "See whether it can be reached" }));
  await screen.findByText(/404 Not Found/);
  expect(asked).toBe(1);
});

test("what went wrong while asking is said", async () => {
  const check = () => Promise.reject(new Problem(0, "unreachable", "The server cannot be reached.", [], {}));
  show(<LinkedPaper link={LINK} check={check} />);
  fireEvent.click(screen.getByRole("button", { name: "See whether it can be reached" }));
  await screen.findByText("The server cannot be reached.");
});

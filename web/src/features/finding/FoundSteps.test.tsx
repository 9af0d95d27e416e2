import { cleanup, fireEvent, screen } from "@testing-library/react";
import { useLocation, useSearchParams } from "react-router";
import { afterEach, beforeEach, expect, test } from "vitest";
import { serve, show } from "../../testing/screen";
import { FoundSteps } from "./FoundSteps";
import { rememberFound } from "./foundTrail";

afterEach(cleanup);
beforeEach(() => {
  const papers = ["a", "b", "c"].map((id) => ({ id, fileId: `file-${id}`, name: `Letter ${id}` }));
  rememberFound({ words: "", address: "/find?sort=received", papers });
  serve({});
});

/** The steps for the paper of the address, and the address itself. */
function Here() {
  const [search] = useSearchParams();
  const { pathname } = useLocation();
  return (
    <>
      <FoundSteps paperId={search.get("paper") ?? ""} />
      <output>{pathname}</output>
    </>
  );
}

const where = () => screen.getByRole("status").textContent;

test("from a found paper one goes on to the next, back, and to the list", () => {
  show(<Here />, "/files/file-b?view=read&paper=b&found=1");
  screen.getByText("2 of 3");
  fireEvent.click(screen.getByRole("button", { name: "Next found paper" }));
  expect(where()).toBe("/files/file-c");
  screen.getByText("3 of 3");
  expect(screen.getByRole("button", { name: "Next found paper" })).toHaveProperty("disabled", true);
  fireEvent.keyDown(window, { key: "p" });
  fireEvent.keyDown(window, { key: "p" });
  expect(where()).toBe("/files/file-a");
  expect(screen.getByRole("link", { name: "All found" }).getAttribute("href")).toBe("/find?sort=received");
});

test("a paper opened in another way is not spoken of as found", () => {
  show(<Here />, "/files/file-b?view=read&paper=b");
  expect(screen.queryByRole("navigation")).toBeNull();
  fireEvent.keyDown(window, { key: "n" });
  expect(where()).toBe("/files/file-b");
});

test("neither is one that is not among those found last", () => {
  show(<Here />, "/files/file-x?view=read&paper=x&found=1");
  expect(screen.queryByRole("navigation")).toBeNull();
});

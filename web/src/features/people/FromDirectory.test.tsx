import { cleanup, fireEvent, screen, waitFor } from "@testing-library/react";
import { afterEach, expect, test } from "vitest";
import { Refusal, serve, show } from "../../testing/screen";
import { FromDirectory } from "./FromDirectory";

afterEach(cleanup);

test("a number fills in the person, and what went wrong is said beside it", async () => {
  const entry = {
    familyName: "Sandmark",
    formerNames: [],
    identifiers: ["D-20417"],
    facts: { role: "groom" },
  };
  serve({
    "GET /api/directory/D-20417": entry,
    "GET /api/directory/D-1": new Refusal(503, {
      detail: "The directory does not answer. Type what you know.",
    }),
  });
  const found: unknown[] = [];
  show(<FromDirectory onFound={(e) => found.push(e)} />);
  const box = screen.getByLabelText("Number in the directory");
  fireEvent.change(box, { target: { value: "D-1" } });
  fireEvent.click(screen.getByRole("button", { name: "Look up" }));
  await screen.findByText(/Type what you know/);
  expect(found).toEqual([]);
  fireEvent.change(box, { target: { value: " D-20417 " } });
  fireEvent.keyDown(box, { key: "Enter", code: "Enter", keyCode: 13 });
  await waitFor(() => expect(found).toEqual([entry]));
  await screen.findByText(/check it/);
});

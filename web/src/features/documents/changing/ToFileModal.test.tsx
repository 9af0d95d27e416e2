import { cleanup, fireEvent, screen, waitFor } from "@testing-library/react";
import { afterEach, expect, test, vi } from "vitest";
import { Refusal, serve, show } from "../../../testing/screen";
import { ToFileModal } from "./ToFileModal";

afterEach(cleanup);

const FOUND = [
  { id: "f7", name: "Jon Adair", number: "S-0204", birthDate: "2014-02-01", kind: "student" },
  { id: "f8", name: "Jon Adair", number: "S-0205", birthDate: "2011-05-09", kind: "student" },
];

async function chooseSecondJon() {
  const field = screen.getByLabelText("Whose file");
  fireEvent.mouseDown(field);
  fireEvent.change(field, { target: { value: "adair" } });
  fireEvent.click(await screen.findByText(/S-0205 · born 9 May 2011/));
}

test("papers are moved to the one of two people of a name who was chosen", async () => {
  const calls = serve({ "GET /api/files/found": FOUND, "POST /api/documents/move": {} });
  const [closed, cleared] = [vi.fn(), vi.fn()];
  show(<ToFileModal ids={["a", "b"]} onClose={closed} onDone={cleared} />);
  expect(screen.getByRole("button", { name: "Move" })).toHaveProperty("disabled", true);
  await chooseSecondJon();
  fireEvent.click(screen.getByRole("button", { name: "Move" }));
  await screen.findByText("Moved 2 papers.");
  expect(calls.find((c) => c.method === "POST")?.body).toEqual({ documents: ["a", "b"], fileId: "f8" });
  expect(closed).toHaveBeenCalled();
  expect(cleared).toHaveBeenCalled();
});

test("a copy says what stays behind", async () => {
  const calls = serve({ "GET /api/files/found": FOUND, "POST /api/documents/copy": {} });
  show(<ToFileModal ids={["a"]} onClose={() => {}} />);
  fireEvent.click(screen.getByLabelText("Copy the newest version"));
  screen.getByText("Decisions and signatures stay with the paper they were given on.");
  await chooseSecondJon();
  fireEvent.click(screen.getByRole("button", { name: "Copy" }));
  await screen.findByText("Copied the paper.");
  expect(calls.find((c) => c.method === "POST")?.path).toBe("/api/documents/copy");
});

test("a refused move is told and the dialog stays", async () => {
  serve({
    "GET /api/files/found": FOUND,
    "POST /api/documents/move": new Refusal(403, { detail: "You may not change the file of Jon Adair." }),
  });
  const closed = vi.fn();
  show(<ToFileModal ids={["a"]} onClose={closed} />);
  await chooseSecondJon();
  fireEvent.click(screen.getByRole("button", { name: "Move" }));
  await screen.findByText("You may not change the file of Jon Adair.");
  await waitFor(() =>
    expect(screen.getByRole("button", { name: "Move" }).className).not.toContain("loading"),
  );
  expect(closed).not.toHaveBeenCalled();
});

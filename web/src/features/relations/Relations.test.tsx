import { cleanup, fireEvent, screen, waitFor } from "@testing-library/react";
import { afterEach, expect, test } from "vitest";
import type { Shape } from "../../api/client";
import { OTTILIE, PRACTICE, serve, show } from "../../testing/screen";
import { OutsiderPage } from "./OutsiderPage";
import { RelationsSection } from "./RelationsSection";

afterEach(cleanup);

const EDIE = { id: "f1", name: "Edie Penhallow" } as Shape<"FileAnswer">;
const GUARDIAN = {
  id: "r1",
  kind: "GUARDIAN",
  words: "guardian",
  reverse: false,
  name: "Ruth Penhallow",
  outsiderId: "o1",
  phone: "0155 3 0174",
};
const BASE = {
  "GET /api/session": OTTILIE,
  "GET /api/practice": PRACTICE,
  "GET /api/relation-kinds": [
    { code: "GUARDIAN", label: "guardian" },
    { code: "PAYER", label: "payer" },
  ],
};

test("a relation leads to the other, is removed, and told again by Undo", async () => {
  let there = true;
  const calls = serve({
    ...BASE,
    "GET /api/files/f1/relations": () => (there ? [GUARDIAN] : []),
    "DELETE /api/relations/r1": () => {
      there = false;
    },
    "POST /api/files/f1/relations": () => {
      there = true;
      return { id: "r2" };
    },
  });
  show(<RelationsSection file={EDIE} />);
  expect((await screen.findByText("Ruth Penhallow")).closest("a")?.getAttribute("href")).toBe(
    "/outsiders/o1",
  );
  fireEvent.click(await screen.findByRole("button", { name: "Remove Ruth Penhallow, guardian" }));
  await screen.findByText(/Nobody yet/);
  fireEvent.click(await screen.findByRole("button", { name: "Undo" }));
  await screen.findByText("Ruth Penhallow");
  expect(calls.find((c) => c.method === "POST")?.body).toEqual({ kind: "GUARDIAN", outsider: "o1" });
});

test("somebody not known yet is described where he is needed", async () => {
  const calls = serve({
    ...BASE,
    "GET /api/files/f1/relations": [],
    "GET /api/files/found": [],
    "GET /api/outsiders/found": [],
    "POST /api/files/f1/relations": { id: "r2" },
  });
  show(<RelationsSection file={EDIE} />);
  fireEvent.click(await screen.findByRole("button", { name: "Add a relation" }));
  fireEvent.mouseDown(await screen.findByLabelText("What he or she is"));
  fireEvent.click(await screen.findByText("payer"));
  fireEvent.change(screen.getByLabelText("Who"), { target: { value: "Ida Penhallow" } });
  fireEvent.click(await screen.findByText("Ida Penhallow, new"));
  expect(await screen.findByLabelText("Name")).toHaveProperty("value", "Ida Penhallow");
  fireEvent.change(screen.getByLabelText("Mail address"), { target: { value: "ida@post.example" } });
  fireEvent.click(screen.getByRole("button", { name: "Add" }));
  await waitFor(() =>
    expect(calls.find((c) => c.method === "POST")?.body).toEqual({
      kind: "PAYER",
      newOutsider: { name: "Ida Penhallow", email: "ida@post.example" },
    }),
  );
});

test("from a guardian one comes to the children", async () => {
  serve({
    ...BASE,
    "GET /api/outsiders/o1": {
      id: "o1",
      version: 2,
      name: "Ruth Penhallow",
      relations: [
        { ...GUARDIAN, words: "guardian of", reverse: true, name: "Edie Penhallow", fileId: "f1" },
        { ...GUARDIAN, id: "r9", words: "guardian of", reverse: true, name: "Kenji Abelard", fileId: "f2" },
      ],
    },
  });
  show(<OutsiderPage />, "/outsiders/o1", "/outsiders/:id");
  expect((await screen.findByText("Kenji Abelard")).closest("a")?.getAttribute("href")).toBe("/files/f2");
});

import { cleanup, fireEvent, screen, waitFor } from "@testing-library/react";
import { afterEach, expect, test } from "vitest";
import { OTTILIE, PRACTICE, serve, show } from "../../testing/screen";
import { LedgerTable } from "./LedgerTable";

afterEach(cleanup);

const paper = (id: string, name: string, documentDate: string) => ({
  id,
  name,
  typeLabels: ["Letter"],
  documentDate,
  receivedOn: documentDate,
  state: "filed",
  source: "from scanner",
  filedBy: "Ottilie Brandmoor",
  authorTitle: "practice administrator",
  periods: [],
  version: 1,
  mediaType: "application/pdf",
  size: 2048,
  pages: 3,
});

const BASE = {
  "GET /api/session": OTTILIE,
  "GET /api/practice": PRACTICE,
  "GET /api/files/f1/papers": [
    paper("d1", "Invoice, 2026-05-01", "2026-05-01"),
    paper("d2", "Letter, 2025-03-02", "2025-03-02"),
  ],
  "PUT /api/preferences/ledger-table": {},
};

const names = () =>
  screen.getAllByRole("row").flatMap((row) => row.textContent?.match(/(Invoice|Letter), \d{4}/)?.[0] ?? []);

test("papers are sorted by the column one clicks, and how is remembered", async () => {
  const calls = serve({ ...BASE, "GET /api/preferences": {} });
  show(<LedgerTable fileId="f1" />, "/files/f1");
  await screen.findByText("Invoice, 2026-05-01");
  expect(names()).toEqual(["Invoice, 2026", "Letter, 2025"]);
  fireEvent.click(screen.getByText("Dated"));
  await waitFor(() => expect(calls.some((c) => c.method === "PUT")).toBe(true));
  fireEvent.click(screen.getByText("Name"));
  await waitFor(() =>
    expect(calls.filter((c) => c.method === "PUT").at(-1)?.body).toMatchObject({
      sort: "name",
      turned: false,
    }),
  );
});

test("columns are those the account chose", async () => {
  const calls = serve({
    ...BASE,
    "GET /api/preferences": {
      "ledger-table": { columns: ["name", "pages", "title"], sort: "name", turned: true },
    },
  });
  show(<LedgerTable fileId="f1" />, "/files/f1");
  await screen.findByText("Pages");
  expect(screen.getAllByText("practice administrator")).toHaveLength(2);
  expect(screen.queryByText("Dated")).toBeNull();
  expect(names()).toEqual(["Letter, 2025", "Invoice, 2026"]);
  fireEvent.click(screen.getByRole("button", { name: /Columns/ }));
  fireEvent.click(await screen.findByRole("checkbox", { name: "Size" }));
  await waitFor(() =>
    expect(calls.find((c) => c.method === "PUT")?.body).toMatchObject({
      columns: ["name", "title", "pages", "size"],
    }),
  );
});

import { cleanup, fireEvent, screen, waitFor } from "@testing-library/react";
import { afterEach, expect, test } from "vitest";
import { OTTILIE, PRACTICE, serve, show } from "../../testing/screen";
import { LedgerTable } from "./LedgerTable";

afterEach(cleanup);

const paper = (id: string, name: string, documentDate: string) =>
  ({
    id,
    name,
    typeLabels: ["Letter"],
    documentDate,
    receivedOn: documentDate,
    state: "FILED",
    source: "from scanner",
    filedBy: "Ottilie Brandmoor",
    authorTitle: "practice administrator",
    periods: [],
    version: 1,
    mediaType: "application/pdf",
    size: 2048,
    pages: 3,
  }) as const;

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

test("the state is told in words, and what was entered in error is struck", async () => {
  const mistaken = { ...paper("d3", "Letter, 2024-01-01", "2024-01-01"), state: "ENTERED_IN_ERROR" } as const;
  const papers = [...BASE["GET /api/files/f1/papers"], mistaken];
  serve({ ...BASE, "GET /api/preferences": {}, "GET /api/files/f1/papers": papers });
  show(<LedgerTable fileId="f1" />, "/files/f1");
  const row = (await screen.findByText("entered in error")).closest("tr");
  expect(row?.className).toContain("in-error");
  expect(screen.getAllByText("filed")).toHaveLength(2);
});

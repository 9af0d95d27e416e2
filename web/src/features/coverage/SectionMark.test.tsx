import { cleanup, fireEvent, screen, waitFor } from "@testing-library/react";
import { afterEach, expect, test, vi } from "vitest";
import type { Shape } from "../../api/client";
import { EDIE } from "../../testing/papers";
import { OTTILIE, Refusal, serve, show } from "../../testing/screen";
import { SectionMark } from "./SectionMark";
import { WaiveModal } from "./WaiveModal";

afterEach(cleanup);

const HEALTH = { code: "health", label: "Health" } as Shape<"SectionAnswer">;
const CONFIRMED = [{ section: "health", by: "Ottilie Brandmoor", on: "2026-11-20" }];
const WORDS = "Confirmed by Ottilie Brandmoor, 20 Nov 2026";
const SLOT = { checklist: "patients", requirement: "xray", label: "Neck X-ray" } as Shape<"SlotAnswer">;

test("an administrator confirms a section", async () => {
  const calls = serve({
    "GET /api/session": OTTILIE,
    "GET /api/files/f1/confirmed-sections": [],
    "POST /api/files/f1/sections/health/confirm": {},
  });
  show(<SectionMark file={EDIE} section={HEALTH} />);
  fireEvent.click(await screen.findByRole("button", { name: "Confirm Health as complete" }));
  expect(calls.every((c) => c.method === "GET")).toBe(true);
  fireEvent.click(await screen.findByRole("button", { name: "Confirm" }));
  await screen.findByText("Health is confirmed.");
  expect(calls.some((c) => c.path.endsWith("/sections/health/confirm"))).toBe(true);
});

test("a confirmed section is reopened with a reason", async () => {
  const calls = serve({
    "GET /api/session": OTTILIE,
    "GET /api/files/f1/confirmed-sections": CONFIRMED,
    "POST /api/files/f1/sections/health/reopen": {},
  });
  show(<SectionMark file={EDIE} section={HEALTH} />);
  fireEvent.click(await screen.findByRole("button", { name: `Reopen Health. ${WORDS}` }));
  fireEvent.change(await screen.findByLabelText("Reason"), { target: { value: "a page was missing" } });
  fireEvent.click(screen.getByRole("button", { name: "Reopen" }));
  await screen.findByText("Health is open again.");
  expect(calls.find((c) => c.method === "POST")?.body).toEqual({ reason: "a page was missing" });
});

test("others are told by whom it was confirmed, and offered nothing", async () => {
  const calls = serve({
    "GET /api/session": { ...OTTILIE, role: "COLLEAGUE" },
    "GET /api/files/f1/confirmed-sections": CONFIRMED,
  });
  show(<SectionMark file={EDIE} section={HEALTH} />);
  await screen.findByLabelText(WORDS);
  expect(screen.queryByRole("button")).toBeNull();
  expect(calls.every((c) => c.method === "GET")).toBe(true);
});

test("a waiver needs a reason, and a day that cannot be is told at its field", async () => {
  const calls = serve({
    "POST /api/files/f1/waivers": new Refusal(422, {
      detail: "Not all can be taken.",
      code: "invalid",
      problems: [{ field: "to", message: "lies in the past" }],
    }),
  });
  const closed = vi.fn();
  show(<WaiveModal fileId="f1" slot={SLOT} open onClose={closed} />);
  fireEvent.click(await screen.findByRole("button", { name: "Waive" }));
  await screen.findByText("A reason is needed; an inspector will read it.");
  const sent = () => calls.filter((c) => c.method !== "GET");
  expect(sent()).toEqual([]);
  fireEvent.change(screen.getByLabelText("Reason"), { target: { value: "rides no more" } });
  fireEvent.click(screen.getByRole("button", { name: "Waive" }));
  await screen.findByText("lies in the past");
  expect(sent()[0]?.body).toEqual({ checklist: "patients", requirement: "xray", reason: "rides no more" });
  await waitFor(() => expect(screen.getByLabelText("Reason")).toHaveProperty("value", "rides no more"));
  expect(closed).not.toHaveBeenCalled();
});

import { cleanup, fireEvent, screen } from "@testing-library/react";
import { afterEach, expect, test } from "vitest";
import { serve, show } from "../testing/screen";
import { RunningWork } from "./RunningWork";

afterEach(cleanup);

const JOB = {
  id: "j1",
  title: "Recomputing slots",
  done: 120,
  total: 200,
  startedBy: "Ottilie",
  startedAt: "",
};

test("running work tells how far it is", async () => {
  serve({ "GET /api/jobs": [{ ...JOB, state: "RUNNING" }] });
  show(<RunningWork />);
  fireEvent.click(await screen.findByText("1 running"));
  expect(await screen.findByText("120 of 200")).toBeTruthy();
});

test("work that ended tells its outcome", async () => {
  serve({ "GET /api/jobs": [{ ...JOB, state: "FAILED", words: "Broke off" }] });
  show(<RunningWork />);
  fireEvent.click(await screen.findByText("work done"));
  expect(await screen.findByText("Broke off")).toBeTruthy();
});

import { cleanup } from "@testing-library/react";
import { afterEach, beforeEach, vi } from "vitest";
import { tellMomentsIn } from "../ui/days";

// tests share one window and the modules' own state: each begins as a browser that was just opened
beforeEach(() => tellMomentsIn("Europe/Vienna"));
afterEach(() => {
  cleanup();
  vi.useRealTimers();
  localStorage.clear();
  sessionStorage.clear();
});

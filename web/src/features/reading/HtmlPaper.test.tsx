import { expect, test } from "vitest";
import { decoded, guarded } from "./HtmlPaper";

const bytes = (text: string, high: Record<string, number> = {}) =>
  Uint8Array.from([...text].map((c) => high[c] ?? c.charCodeAt(0))).buffer;

test("a web page is read in the encoding it claims", () => {
  const page = '<meta charset="windows-1252"><p>Br@fve</p>';
  expect(decoded(bytes(page, { "@": 0xe9 }))).toContain("Bréfve");
  expect(decoded(new TextEncoder().encode("<p>Nørgaard</p>").buffer as ArrayBuffer)).toContain("Nørgaard");
  expect(decoded(bytes('<meta charset="no-such">plain'))).toContain("plain");
});

test("the policy stands before anything of the paper", () => {
  const shown = guarded("<script>alert(1)</script>");
  expect(shown.indexOf("Content-Security-Policy")).toBeLessThan(shown.indexOf("<script>"));
  expect(shown).toContain("default-src 'none'");
});

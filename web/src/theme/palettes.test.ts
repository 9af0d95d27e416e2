import { expect, test } from "vitest";
import { palettes } from "./palettes";

/** Contrast of two colours by WCAG 2.2, from 1 to 21. */
function contrast(a: string, b: string): number {
  const [darker, lighter] = [luminance(a), luminance(b)].sort((x, y) => x - y) as [number, number];
  return (lighter + 0.05) / (darker + 0.05);
}

function luminance(hex: string): number {
  const [r, g, b] = [1, 3, 5].map((i) => {
    const part = Number.parseInt(hex.slice(i, i + 2), 16) / 255;
    return part <= 0.04045 ? part / 12.92 : ((part + 0.055) / 1.055) ** 2.4;
  }) as [number, number, number];
  return 0.2126 * r + 0.7152 * g + 0.0722 * b;
}

const WRITTEN = ["ink", "muted", "juniper", "ochre", "clay", "plum", "slate"] as const;

test.each(["light", "dark"] as const)("words can be read by %s", (scheme) => {
  const colours = palettes[scheme];
  const pairs = [
    ...WRITTEN.flatMap((word) => [[word, "paper"] as const, [word, "sheet"] as const]),
    ["hint", "sheet"],
    ["hint", "paper"],
    ["muted", "portalGround"],
    ["juniper", "juniperPale"],
    ["juniperDeep", "lineCovered"],
    ["clay", "clayPale"],
    ["ink", "clayTint"],
    ["ochre", "ochrePale"],
    ["plum", "plumPale"],
    ["railInk", "rail"],
    ["rail", "ochreBright"],
    ["ink", "found"],
    ["onFill", "juniperFill"],
    ["onFill", "clayFill"],
    ["sheet", "ink"],
  ] as const;
  const faint = pairs
    .map(([word, ground]) => ({ on: `${word} on ${ground}`, is: contrast(colours[word], colours[ground]) }))
    .filter(({ is }) => is < 4.5);
  expect(faint).toEqual([]);
});

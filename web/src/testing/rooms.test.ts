import { readdirSync, readFileSync } from "node:fs";
import { dirname, join, relative, resolve } from "node:path";
import { expect, test } from "vitest";

const SOURCES = resolve(import.meta.dirname, "..");
const IMPORTED = /(?:from|import)\s*\(?\s*"(\.{1,2}\/[^"]+)"/g;

/** For each room, that is each folder, the other rooms it imports from and where. */
function uses(): Map<string, Map<string, string>> {
  const rooms = new Map<string, Map<string, string>>();
  for (const name of readdirSync(SOURCES, { recursive: true }).map(String)) {
    if (!/\.tsx?$/.test(name) || /\.test\.|^testing/.test(name)) {
      continue;
    }
    const file = join(SOURCES, name);
    const room = dirname(name);
    for (const [, imported = ""] of readFileSync(file, "utf8").matchAll(IMPORTED)) {
      const other = dirname(relative(SOURCES, resolve(dirname(file), imported)));
      if (other !== room) {
        rooms.set(room, (rooms.get(room) ?? new Map()).set(other, `${name} → ${imported}`));
      }
    }
  }
  return rooms;
}

/** A way from a room back to itself, as the imports that make it; undefined when there is none. */
function wayBack(from: string, rooms: Map<string, Map<string, string>>): string[] | undefined {
  const ways: [string, string[]][] = [[from, []]];
  const seen = new Set<string>();
  for (let next = ways.shift(); next; next = ways.shift()) {
    const [room, way] = next;
    for (const [other, place] of rooms.get(room) ?? []) {
      if (other === from) {
        return [...way, place];
      }
      if (!seen.has(other)) {
        seen.add(other);
        ways.push([other, [...way, place]]);
      }
    }
  }
  return undefined;
}

test("rooms use each other one way only", () => {
  const rooms = uses();
  expect(rooms.size).toBeGreaterThan(20);
  for (const room of rooms.keys()) {
    expect(wayBack(room, rooms)).toBeUndefined();
  }
});

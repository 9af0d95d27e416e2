import { expect, test } from "vitest";
import { bytesOf, type Piece, papersOf, piecesOf, without } from "./pieces";

const photo = (name: string) => new File([name], name, { type: "image/jpeg" });
const pdf = (name: string) => new File([name], name, { type: "application/pdf" });
const names = (papers: Piece[][]) => papers.map((p) => p.map((piece) => piece.file.name).join("+"));

test("photos that come together are pages of one paper, everything else is a paper of its own", () => {
  const pieces = piecesOf([photo("a"), photo("b"), pdf("c"), photo("d"), photo("e")], []);
  expect(names(papersOf(pieces))).toEqual(["a+b", "c", "d+e"]);
  expect(names(papersOf(piecesOf([photo("f")], pieces)))).toEqual(["a+b", "c", "d+e+f"]);
});

test("leaving out the first page of a paper does not join the rest to the paper before", () => {
  const pieces = piecesOf([photo("a"), photo("b"), photo("c")], []).map((p, i) => ({
    ...p,
    begins: i !== 2,
  }));
  expect(names(papersOf(pieces))).toEqual(["a", "b+c"]);
  expect(names(papersOf(without(pieces, pieces[1]?.key ?? "")))).toEqual(["a", "c"]);
});

test("what was neither turned nor trimmed is sent as it is", async () => {
  const [piece] = piecesOf([photo("a")], []);
  expect(await bytesOf(piece as Piece)).toBe(piece?.file);
});

import { expect, test } from "vitest";
import { type AskedSigner, proposedSigners, requestFields, requestSigners, stepsOf } from "./asked";

const signer = (key: string, part: Partial<AskedSigner> = {}): AskedSigner => ({
  key,
  task: "SIGN",
  role: key,
  label: key,
  name: key,
  email: "",
  together: false,
  ...part,
});

test("whoever signs together with the one before has the same step, an approver never has a signer's", () => {
  const signers = [
    signer("approver", { task: "APPROVE" }),
    signer("ada", { together: true }),
    signer("ben", { together: true }),
    signer("director"),
  ];
  expect(stepsOf(signers)).toEqual([0, 1, 1, 2]);
});

test("a colleague is asked by account, everybody else by name and address", () => {
  expect(
    requestSigners([
      signer("director", { accountId: "a1", name: "Bram Ostervelt" }),
      signer("guardian", { name: "Ada Small", email: " ada@post.example " }),
      signer("owner", { name: "L Abrantes" }),
    ]),
  ).toEqual([
    { step: 0, task: "SIGN", role: "director", accountId: "a1", name: null, email: null },
    {
      step: 1,
      task: "SIGN",
      role: "guardian",
      accountId: null,
      name: "Ada Small",
      email: "ada@post.example",
    },
    { step: 2, task: "SIGN", role: "owner", accountId: null, name: "L Abrantes", email: null },
  ]);
});

test("fields of somebody who is asked no longer are left out, and none leaves the page", () => {
  const field = {
    key: "f",
    paperId: "p",
    kind: "SIGNATURE" as const,
    page: 1,
    left: 0.95,
    top: 1.2,
    label: "",
    required: true,
  };
  expect(
    requestFields(
      [
        { ...field, signer: "gone" },
        { ...field, signer: "ada" },
      ],
      [signer("ada")],
    ),
  ).toMatchObject([{ signer: 0, left: 0.72, top: 0.97, label: null }]);
});

test("roles without anybody who fits stay open, and a paper that asks for none gets one signer", () => {
  const candidates = [{ name: "Tamsin Korhola", what: "the person", email: "t@post.example" }];
  expect(
    proposedSigners({
      roles: [
        { role: "employee", label: "employee", proposed: 0 },
        { role: "director", label: "director" },
      ],
      candidates,
      fields: [],
    }).map((s) => [s.role, s.name, s.email]),
  ).toEqual([
    ["employee", "Tamsin Korhola", "t@post.example"],
    ["director", "", ""],
  ]);
  expect(proposedSigners({ roles: [], candidates, fields: [] }).map((s) => s.role)).toEqual(["signer"]);
});

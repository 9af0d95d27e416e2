import { cleanup, fireEvent, screen, waitFor } from "@testing-library/react";
import { afterEach, expect, test, vi } from "vitest";
import { Refusal, serve, show } from "../../testing/screen";
import { ChaseManyModal } from "./ChaseManyModal";
import { ChaseModal } from "./ChaseModal";

afterEach(cleanup);

const LETTER = {
  recipient: "tamsin@post.example",
  subject: "Papers for your file",
  body: "Dear Tamsin,\n\nplease send us: First aid certificate.",
  wanted: ["First aid certificate"],
  addressees: [
    {
      name: "Tamsin Korhola",
      email: "tamsin@post.example",
      fits: true,
      body: "Dear Tamsin,\n\nplease send us: First aid certificate.",
    },
  ],
};

test("the mail is looked at, changed and sent as it stands", async () => {
  const calls = serve({ "GET /api/files/f1/chase": LETTER, "POST /api/files/f1/chase": {} });
  const closed = vi.fn();
  show(<ChaseModal fileId="f1" open onClose={closed} />);
  const text = await screen.findByLabelText("Text of the mail");
  fireEvent.change(text, { target: { value: "Dear Tamsin, by Friday please." } });
  fireEvent.click(screen.getByRole("button", { name: "Send" }));
  await screen.findByText(/On its way/);
  expect(calls.find((c) => c.method === "POST")?.body).toEqual({
    to: "tamsin@post.example",
    body: "Dear Tamsin, by Friday please.",
    again: false,
  });
  expect(closed).toHaveBeenCalled();
});

test("a second mail on the same day is warned of, and sent only when meant", async () => {
  const calls = serve({
    "GET /api/files/f1/chase": LETTER,
    "POST /api/files/f1/chase": ({ body }: { body: unknown }) =>
      (body as { again: boolean }).again
        ? {}
        : new Refusal(409, { detail: "Chased today already.", code: "chased-today" }),
  });
  show(<ChaseModal fileId="f1" open onClose={() => {}} />);
  fireEvent.click(await screen.findByRole("button", { name: "Send" }));
  fireEvent.click(await screen.findByRole("button", { name: "Send again all the same" }));
  await screen.findByText(/On its way/);
  expect(calls.filter((c) => c.method === "POST")).toHaveLength(2);
});

test("who has no address, or misses nothing, cannot be chased", async () => {
  serve({
    "GET /api/files/f1/chase": { ...LETTER, recipient: null, addressees: [] },
    "GET /api/files/f2/chase": { ...LETTER, wanted: [] },
  });
  const { unmount } = show(<ChaseModal fileId="f1" open onClose={() => {}} />);
  await screen.findByText(/Nobody can be written to/);
  expect(screen.queryByRole("button", { name: "Send" })).toBeNull();
  unmount();
  show(<ChaseModal fileId="f2" open onClose={() => {}} />);
  await screen.findByText(/there is nothing to chase/);
});

test("of many, each is told what became of it, and one refusal stops no other", async () => {
  const calls = serve({
    "POST /api/files/f1/chase": new Refusal(409, { detail: "There is no address." }),
    "POST /api/files/f2/chase": {},
  });
  const people = [
    { id: "f1", name: "Tamsin Korhola", number: "E-0147" },
    { id: "f2", name: "Noor Vahdani", number: "E-0146" },
  ];
  show(<ChaseManyModal people={people} open onClose={() => {}} />);
  fireEvent.click(await screen.findByRole("button", { name: "Send 2 mails" }));
  await screen.findByText("There is no address.");
  await screen.findByText("on its way");
  await waitFor(() => expect(screen.queryByRole("button", { name: "Send 2 mails" })).toBeNull());
  expect(calls.filter((c) => c.method === "POST").map((c) => c.body)).toEqual([
    { again: false },
    { again: false },
  ]);
});

test("about a child nobody is guessed: one is chosen, told why it is unusual, and the letter is to them", async () => {
  const calls = serve({
    "GET /api/files/f1/chase": {
      ...LETTER,
      recipient: null,
      addressees: [
        { name: "Edie Penhallow", email: "edie@post.example", fits: false, body: "Dear Edie," },
        {
          name: "Ada Penhallow",
          email: "ada@post.example",
          words: "sibling",
          fits: false,
          body: "Dear Ada,",
        },
      ],
    },
    "POST /api/files/f1/chase": {},
  });
  show(<ChaseModal fileId="f1" open onClose={() => {}} />);
  const to = await screen.findByLabelText("To");
  expect(screen.getByRole<HTMLButtonElement>("button", { name: "Send" }).disabled).toBe(true);
  fireEvent.mouseDown(to);
  fireEvent.click(await screen.findByText("Ada Penhallow, sibling · ada@post.example"));
  await screen.findByText(/would not usually write to Ada Penhallow/);
  expect(screen.getByLabelText<HTMLTextAreaElement>("Text of the mail").value).toBe("Dear Ada,");
  fireEvent.click(screen.getByRole("button", { name: "Send" }));
  await screen.findByText(/On its way/);
  expect(calls.find((c) => c.method === "POST")?.body).toMatchObject({ to: "ada@post.example" });
});

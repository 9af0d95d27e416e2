import { cleanup, fireEvent, screen, waitFor } from "@testing-library/react";
import { useLocation } from "react-router";
import { afterEach, expect, test } from "vitest";
import { type Call, OTTILIE, serve, show } from "../../testing/screen";
import { FindBox } from "./FindBox";

afterEach(cleanup);

const OFFERED = {
  people: [{ id: "f1", name: "Ruth Abelard", number: "S-0300", birthDate: "1980-03-04" }],
  outsiders: [{ id: "o1", name: "Ruth Penhallow", organisation: null }],
  papers: [{ id: "d1", fileId: "f2", name: "Letter to Ruth", person: "Edie Penhallow" }],
};

function Page() {
  const { pathname, search } = useLocation();
  return (
    <>
      <FindBox />
      <output>{decodeURIComponent(pathname + search)}</output>
    </>
  );
}

function box(answers: Parameters<typeof serve>[0] = {}) {
  serve({ "GET /api/session": OTTILIE, "GET /api/find/suggestions": OFFERED, ...answers });
  show(<Page />);
  const input = screen.getByLabelText("Find people, papers and words");
  fireEvent.focus(input);
  return input;
}

const where = () => screen.getByRole("status").textContent ?? "";

test("people, others, papers and words in all papers are offered, each with what tells it apart", async () => {
  fireEvent.change(box(), { target: { value: "ruth" } });
  await screen.findByText("S-0300 · born 4 Mar 1980");
  screen.getByText("no file");
  screen.getByText("Edie Penhallow");
  for (const group of ["People", "Papers", "Text"]) {
    screen.getByText(group);
  }
});

test("Enter opens the first that is offered", async () => {
  const input = box();
  fireEvent.change(input, { target: { value: "ruth" } });
  await screen.findByText("Letter to Ruth");
  fireEvent.keyDown(input, { key: "Enter", keyCode: 13 });
  await waitFor(() => expect(where()).toBe("/files/f1"));
});

test("Enter before the answer opens nobody of the former words, but the first of these", async () => {
  let answerNow: (offered: object) => void = () => {};
  const late = new Promise((done) => {
    answerNow = done;
  });
  const input = box({
    "GET /api/find/suggestions": ({ path }: Call) =>
      path.includes("ruth") ? Promise.resolve<unknown>(OFFERED) : late,
  });
  fireEvent.change(input, { target: { value: "ruth" } });
  await screen.findByText("Letter to Ruth");
  fireEvent.change(input, { target: { value: "salome" } });
  fireEvent.keyDown(input, { key: "Enter", keyCode: 13 });
  fireEvent.click(screen.getByText("Letter to Ruth"));
  expect(where()).toBe("/");
  answerNow({
    people: [{ id: "f9", name: "Salome Iwaszko", number: "S-0301", birthDate: "1990-03-04" }],
    outsiders: [],
    papers: [],
  });
  await waitFor(() => expect(where()).toBe("/files/f9"));
});

test("the arrow keys reach the others", async () => {
  const input = box();
  fireEvent.change(input, { target: { value: "ruth" } });
  await screen.findByText("Letter to Ruth");
  fireEvent.keyDown(input, { key: "ArrowDown", keyCode: 40 });
  fireEvent.keyDown(input, { key: "Enter", keyCode: 13 });
  await waitFor(() => expect(where()).toBe("/outsiders/o1"));
});

test("words are searched for in all papers", async () => {
  fireEvent.change(box(), { target: { value: "ruth" } });
  fireEvent.click(await screen.findByText(/Words in all papers/));
  await waitFor(() => expect(where()).toContain('/find?for={"words":"ruth"}'));
});

test("a stroke puts the cursor into the box, unless something is being typed elsewhere", () => {
  serve({ "GET /api/session": OTTILIE });
  show(
    <>
      <FindBox />
      <input aria-label="elsewhere" />
    </>,
  );
  const input = screen.getByLabelText("Find people, papers and words");
  const elsewhere = screen.getByLabelText("elsewhere");
  elsewhere.focus();
  fireEvent.keyDown(elsewhere, { key: "/" });
  expect(document.activeElement).toBe(elsewhere);
  elsewhere.blur();
  fireEvent.keyDown(document.body, { key: "/" });
  expect(document.activeElement).toBe(input);
});

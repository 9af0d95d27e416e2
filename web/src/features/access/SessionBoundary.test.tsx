import { useMutation, useQuery } from "@tanstack/react-query";
import { cleanup, fireEvent, screen, waitFor } from "@testing-library/react";
import { useState } from "react";
import { afterEach, beforeEach, expect, test, vi } from "vitest";
import { answer, api, done } from "../../api/client";
import { OTTILIE, Refusal, serve, show } from "../../testing/screen";
import { forgetDrafts, useDraft } from "../../ui/drafts";
import { SessionBoundary } from "./SessionBoundary";

const assign = vi.fn();

beforeEach(() => {
  assign.mockClear();
  vi.spyOn(window.location, "assign").mockImplementation(assign);
});

afterEach(() => {
  cleanup();
  vi.restoreAllMocks();
});

const ENDED = new Refusal(401, { detail: "Sign in first.", code: "not-signed-in" });

/** A page with something typed, something shown and something to save. */
function Page() {
  const [typed, setTyped] = useState("");
  const draft = useDraft("a thing", { words: "" }, 1);
  const shown = useQuery({ queryKey: ["jobs"], queryFn: () => answer(api.GET("/api/jobs")) });
  const save = useMutation({
    mutationFn: () =>
      done(
        api.POST("/api/files/{fileId}/visits", {
          params: { path: { fileId: "f1" } },
          body: { words: typed },
        }),
      ),
  });
  return (
    <>
      <input aria-label="Words" value={typed} onChange={(e) => setTyped(e.target.value)} />
      <input
        aria-label="Kept"
        value={draft.value.words}
        onChange={(e) => draft.set({ words: e.target.value })}
      />
      <button type="button" onClick={() => save.mutate()}>
        Save
      </button>
      <output>{save.isSuccess ? "saved" : save.isError ? "failed" : "open"}</output>
      <span>{shown.isSuccess ? "jobs shown" : "no jobs"}</span>
    </>
  );
}

function atWork(signedIn: () => boolean, more: object = {}) {
  const calls = serve({
    "GET /api/session": OTTILIE,
    "GET /api/jobs": () => (signedIn() ? [] : ENDED),
    "POST /api/files/f1/visits": () => (signedIn() ? { id: "v1" } : ENDED),
    ...more,
  });
  show(
    <SessionBoundary account={OTTILIE}>
      <Page />
    </SessionBoundary>,
  );
  return calls;
}

test("when the session has ended the password is asked for over the page, once, and what was begun goes on", async () => {
  let isSignedIn = true;
  const calls = atWork(() => isSignedIn, {
    "POST /api/session": ({ body }: { body: unknown }) => {
      const isRight = (body as { password: string }).password === "oakhollin-demo";
      isSignedIn = isRight;
      return isRight ? OTTILIE : new Refusal(401, { detail: "The email address or password is wrong." });
    },
  });
  await screen.findByText("jobs shown");
  fireEvent.change(screen.getByLabelText("Words"), { target: { value: "seen at the door" } });
  isSignedIn = false;
  fireEvent.click(screen.getByText("Save"));
  const password = await screen.findByLabelText("Password");
  expect(screen.getByText("ottilie@oakhollin.example")).toBeTruthy();
  const enter = (text: string) => {
    fireEvent.change(password, { target: { value: text } });
    fireEvent.click(screen.getByRole("button", { name: "Sign in" }));
  };
  enter("wrong");
  await screen.findByText("The password is wrong.");
  expect(screen.getByText("open")).toBeTruthy();
  enter("oakhollin-demo");
  await screen.findByText("saved");
  expect(screen.getByLabelText<HTMLInputElement>("Words").value).toBe("seen at the door");
  const saves = calls.filter((c) => c.path === "/api/files/f1/visits");
  expect(saves.map((c) => c.body)).toEqual([{ words: "seen at the door" }, { words: "seen at the door" }]);
});

test("another account begins with nothing of this one", async () => {
  let isSignedIn = true;
  atWork(() => isSignedIn);
  await screen.findByText("jobs shown");
  fireEvent.change(screen.getByLabelText("Kept"), { target: { value: "a secret" } });
  isSignedIn = false;
  fireEvent.click(screen.getByText("Save"));
  fireEvent.click(await screen.findByRole("button", { name: "Sign in as someone else" }));
  await waitFor(() => expect(assign).toHaveBeenCalledWith("/"));
  expect(sessionStorage.getItem("denfold.drafts")).not.toContain("a secret");
  await screen.findByText("failed");
});

test("when another account signs in in another tab, this one is left", async () => {
  atWork(() => true);
  await screen.findByText("jobs shown");
  const signedIn = (id: string) =>
    window.dispatchEvent(new StorageEvent("storage", { key: "denfold.account", newValue: id }));
  signedIn(OTTILIE.id);
  expect(assign).not.toHaveBeenCalled();
  signedIn("a2");
  expect(assign).toHaveBeenCalledWith("/");
  forgetDrafts();
});

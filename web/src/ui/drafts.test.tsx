import { cleanup, fireEvent, render, screen } from "@testing-library/react";
import { afterEach, expect, test } from "vitest";
import { DraftNote } from "./DraftNote";
import { forgetDrafts, useDraft } from "./drafts";

afterEach(() => {
  cleanup();
  forgetDrafts();
});

function Editor({ of = "file 1", kept, version }: { of?: string; kept: { name: string }; version: number }) {
  const draft = useDraft(of, kept, version);
  return (
    <>
      <input
        aria-label="Name"
        value={draft.value.name}
        onChange={(e) => draft.set({ name: e.target.value })}
      />
      <output>version {draft.version}</output>
      <DraftNote draft={draft} by="Hester Quill" />
    </>
  );
}

const name = () => screen.getByLabelText<HTMLInputElement>("Name").value;
const type = (text: string) => fireEvent.change(screen.getByLabelText("Name"), { target: { value: text } });

test("what was typed outlasts another view and fresh data, and is of that thing only", () => {
  const { unmount, rerender } = render(<Editor kept={{ name: "Ruth" }} version={1} />);
  type("Ruth Ann");
  screen.getByText(/Not saved yet/);
  rerender(<Editor kept={{ name: "Ruth" }} version={1} />);
  expect(name()).toBe("Ruth Ann");
  unmount();
  render(<Editor of="file 2" kept={{ name: "Edie" }} version={1} />);
  expect(name()).toBe("Edie");
  cleanup();
  render(<Editor kept={{ name: "Ruth" }} version={1} />);
  expect(name()).toBe("Ruth Ann");
  fireEvent.click(screen.getByText("Discard the changes"));
  expect(name()).toBe("Ruth");
  expect(screen.queryByText(/Not saved yet/)).toBeNull();
});

test("what somebody else saved meanwhile is told, and either one is chosen", () => {
  const { rerender } = render(<Editor kept={{ name: "Ruth" }} version={1} />);
  type("Ruth Ann");
  rerender(<Editor kept={{ name: "Ruth B." }} version={2} />);
  screen.getByText("Hester Quill changed this meanwhile. What you typed is kept.");
  expect(name()).toBe("Ruth Ann");
  screen.getByText("version 1");
  fireEvent.click(screen.getByText("Keep mine"));
  expect(name()).toBe("Ruth Ann");
  screen.getByText("version 2");
  rerender(<Editor kept={{ name: "Ruth C." }} version={3} />);
  fireEvent.click(screen.getByText("Take theirs"));
  expect(name()).toBe("Ruth C.");
});

test("leaving the application asks while something is not saved, and never for another account", () => {
  render(<Editor kept={{ name: "Ruth" }} version={1} />);
  const leave = () => {
    const event = new Event("beforeunload", { cancelable: true });
    window.dispatchEvent(event);
    return event.defaultPrevented;
  };
  expect(leave()).toBe(false);
  type("Ruth Ann");
  expect(leave()).toBe(true);
  expect(sessionStorage.getItem("denfold.drafts")).toContain("Ruth Ann");
  type("Ruth");
  expect(leave()).toBe(false);
  type("Ruth Ann");
  forgetDrafts();
  expect(leave()).toBe(false);
  expect(sessionStorage.getItem("denfold.drafts")).not.toContain("Ruth Ann");
});

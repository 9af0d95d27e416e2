import { cleanup, fireEvent, render, screen, waitFor } from "@testing-library/react";
import { Drawer, Dropdown, Modal, Select } from "antd";
import { afterEach, expect, test, vi } from "vitest";
import { useKeys } from "./keys";

afterEach(cleanup);

function Keys({ keys, of }: { keys: Record<string, () => void>; of?: "page" | "drawer" | "dialog" }) {
  useKeys(keys, of);
  return null;
}

test("Enter and Space belong to the control that has the focus, letters to the page", () => {
  const act = { enter: vi.fn(), " ": vi.fn(), j: vi.fn(), arrowdown: vi.fn() };
  render(
    <>
      <Keys keys={act} />
      <button type="button">Do it</button>
      <a href="/elsewhere">Elsewhere</a>
      <input type="checkbox" aria-label="Tick" />
      <details>
        <summary>More</summary>
      </details>
      <div role="slider" aria-label="Day" aria-valuenow={1} tabIndex={0} />
    </>,
  );
  const controls = [
    screen.getByText("Do it"),
    screen.getByText("Elsewhere"),
    screen.getByLabelText("Tick"),
    screen.getByText("More"),
  ];
  for (const control of controls) {
    fireEvent.keyDown(control, { key: "Enter" });
    fireEvent.keyDown(control, { key: " " });
    fireEvent.keyDown(control, { key: "j" });
    fireEvent.keyDown(control, { key: "ArrowDown" });
  }
  expect(act.enter).not.toHaveBeenCalled();
  expect(act[" "]).not.toHaveBeenCalled();
  expect(act.j).toHaveBeenCalledTimes(controls.length);
  expect(act.arrowdown).toHaveBeenCalledTimes(controls.length);
  fireEvent.keyDown(screen.getByLabelText("Day"), { key: "ArrowDown" });
  expect(act.arrowdown).toHaveBeenCalledTimes(controls.length);
  fireEvent.keyDown(document.body, { key: "Enter" });
  fireEvent.keyDown(document.body, { key: " " });
  expect(act.enter).toHaveBeenCalledOnce();
  expect(act[" "]).toHaveBeenCalledOnce();
});

test("beneath an open drawer, dialog or menu no key of the page acts, and theirs do", () => {
  const [page, drawer, dialog] = [vi.fn(), vi.fn(), vi.fn()];
  const keys = (
    <>
      <Keys keys={{ j: page }} />
      <Keys keys={{ j: drawer }} of="drawer" />
      <Keys keys={{ j: dialog }} of="dialog" />
    </>
  );
  const show = (more: React.ReactNode) => (
    <>
      {keys}
      {more}
    </>
  );
  const { rerender } = render(show(null));
  const press = () => fireEvent.keyDown(document.body, { key: "j" });
  press();
  expect([page, drawer, dialog].map((k) => k.mock.calls.length)).toEqual([1, 0, 0]);
  rerender(show(<Drawer open>notices</Drawer>));
  press();
  expect([page, drawer, dialog].map((k) => k.mock.calls.length)).toEqual([1, 1, 0]);
  rerender(show(<Modal open>sure?</Modal>));
  press();
  expect([page, drawer, dialog].map((k) => k.mock.calls.length)).toEqual([1, 1, 1]);
  rerender(
    show(
      <Dropdown open menu={{ items: [{ key: "a", label: "A" }] }}>
        <span>menu</span>
      </Dropdown>,
    ),
  );
  press();
  expect([page, drawer, dialog].map((k) => k.mock.calls.length)).toEqual([1, 1, 1]);
});

test("Escape leaves a field, and the page's keys are free again", async () => {
  const act = vi.fn();
  render(
    <>
      <Keys keys={{ j: act }} />
      <Select aria-label="Person" showSearch options={[{ value: "a" }]} />
    </>,
  );
  const field = screen.getByLabelText("Person");
  field.focus();
  fireEvent.mouseDown(field);
  fireEvent.keyDown(field, { key: "j" });
  expect(act).not.toHaveBeenCalled();
  fireEvent.keyDown(field, { key: "Escape" });
  await waitFor(() => expect(document.activeElement).toBe(document.body));
  fireEvent.keyDown(document.activeElement ?? document.body, { key: "j" });
  expect(act).toHaveBeenCalledOnce();
});

test("a held Enter does nothing again, and the last to ask for a key gets it", () => {
  const [first, second] = [vi.fn(), vi.fn()];
  render(
    <>
      <Keys keys={{ enter: first }} />
      <Keys keys={{ enter: second }} />
    </>,
  );
  fireEvent.keyDown(document.body, { key: "Enter" });
  fireEvent.keyDown(document.body, { key: "Enter", repeat: true });
  expect(first).not.toHaveBeenCalled();
  expect(second).toHaveBeenCalledOnce();
});

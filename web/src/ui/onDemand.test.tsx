import { cleanup, fireEvent, render, screen } from "@testing-library/react";
import { Component, type ReactNode, useState } from "react";
import { afterEach, expect, test, vi } from "vitest";
import { onDemand } from "./onDemand";

afterEach(cleanup);

function Counter({ name }: { name: string }) {
  const [count, setCount] = useState(0);
  return (
    <button type="button" onClick={() => setCount(count + 1)}>
      {name} {count}
    </button>
  );
}

test("what is fetched is shown at once, keeps what it holds, and is fetched only once", async () => {
  let fetched = 0;
  const Page = onDemand(async () => {
    fetched++;
    return Counter;
  });
  const view = render(<Page name="first" />);
  expect(screen.getByRole("status", { name: "Loading" })).toBeTruthy();
  fireEvent.click(await screen.findByRole("button", { name: "first 0" }));
  view.rerender(<Page name="second" />);
  expect(screen.getByRole("button", { name: "second 1" })).toBeTruthy();
  view.unmount();
  render(<Page name="again" />);
  expect(screen.getByRole("button", { name: "again 0" })).toBeTruthy();
  expect(fetched).toBe(1);
});

class Boundary extends Component<{ children: ReactNode }, { words?: string }> {
  override state: { words?: string } = {};
  static getDerivedStateFromError = (error: Error) => ({ words: error.message });
  override render() {
    return this.state.words ?? this.props.children;
  }
}

test("what cannot be fetched is an error of whoever stands around it", async () => {
  const said = vi.spyOn(console, "error").mockImplementation(() => undefined);
  const Page = onDemand<{ name: string }>(() => Promise.reject(new Error("no connection")));
  render(
    <Boundary>
      <Page name="lost" />
    </Boundary>,
  );
  await screen.findByText("no connection");
  said.mockRestore();
});

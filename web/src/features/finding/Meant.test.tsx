import { cleanup, fireEvent, screen } from "@testing-library/react";
import { afterEach, expect, test, vi } from "vitest";
import { serve, show } from "../../testing/screen";
import { Meant } from "./Meant";

afterEach(cleanup);

test("what may have been meant is searched for at a click; nothing is said where nothing comes near", async () => {
  serve({ "GET /api/find/meant": { words: "hoofknife clenches" } });
  const take = vi.fn();
  const { unmount } = show(<Meant typed="hofknife clenches" fileId="f1" onTake={take} />);
  fireEvent.click(await screen.findByRole("button", { name: "hoofknife clenches" }));
  expect(take).toHaveBeenCalledWith("hoofknife clenches");
  unmount();
  const calls = serve({ "GET /api/find/meant": {} });
  show(<Meant typed="xyzzy" onTake={take} />);
  await vi.waitFor(() => expect(calls).toHaveLength(1));
  expect(screen.queryByText(/Did you mean/)).toBeNull();
});

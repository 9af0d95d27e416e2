import { cleanup, fireEvent, screen, waitFor } from "@testing-library/react";
import { afterEach, expect, test } from "vitest";
import { Refusal, serve, show } from "../../testing/screen";
import { MySignIn } from "./MySignIn";

afterEach(cleanup);

test("a second factor is set up with a first code, and its recovery codes are shown once", async () => {
  let on = false;
  serve({
    "GET /api/my-second-factor": () => ({ on, recoveryLeft: on ? 10 : 0, demanded: false }),
    "GET /api/my-passkeys": [],
    "POST /api/my-second-factor": { secret: "ABCDEFGH", uri: "otpauth://totp/x?secret=ABCDEFGH" },
    "POST /api/my-second-factor/confirm": () => {
      on = true;
      return { recoveryCodes: ["aaaa-bbbb"] };
    },
  });
  show(<MySignIn onClose={() => undefined} />);
  fireEvent.click(await screen.findByText("Set it up"));
  await screen.findByText("ABCD EFGH");
  fireEvent.change(screen.getByLabelText("2. Type the code it shows"), { target: { value: "123456" } });
  fireEvent.click(screen.getByRole("button", { name: "Turn it on" }));
  await screen.findByText("aaaa-bbbb");
  fireEvent.click(screen.getByText("I have kept them"));
  await screen.findByText(/10 of 10/);
});

test("it is ended with a code only, and where it is demanded not at all", async () => {
  let demanded = true;
  const calls = serve({
    "GET /api/my-second-factor": () => ({ on: true, recoveryLeft: 3, demanded }),
    "GET /api/my-passkeys": [{ id: "k1", label: "Office computer", made: "2026-11-20T09:00:00Z" }],
    "POST /api/my-second-factor/end": new Refusal(422, {
      detail: "Wrong.",
      problems: [{ field: "code", message: "This is not the code your device shows now." }],
    }),
    "DELETE /api/my-passkeys/k1": {},
  });
  show(<MySignIn onClose={() => undefined} />);
  await screen.findByText(/3 of 10/);
  expect(screen.queryByText("End it…")).toBeNull();
  fireEvent.click(await screen.findByText("Remove"));
  await waitFor(() => expect(calls.some((c) => c.path === "/api/my-passkeys/k1")).toBe(true));
  cleanup();
  demanded = false;
  show(<MySignIn onClose={() => undefined} />);
  fireEvent.click(await screen.findByText("End it…"));
  fireEvent.change(screen.getByLabelText("The code your device shows now"), { target: { value: "1" } });
  fireEvent.click(screen.getByRole("button", { name: "End the second factor" }));
  await screen.findByText("This is not the code your device shows now.");
});

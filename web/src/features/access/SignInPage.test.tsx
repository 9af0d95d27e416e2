import { cleanup, fireEvent, screen, waitFor } from "@testing-library/react";
import { afterEach, expect, test } from "vitest";
import { OTTILIE, PRACTICE, Refusal, serve, show } from "../../testing/screen";
import { InvitationPage } from "./InvitationPage";
import { SignInPage } from "./SignInPage";

afterEach(cleanup);

function type(label: string, text: string) {
  fireEvent.change(screen.getByLabelText(label), { target: { value: text } });
}

test("the practice's name stands above two fields, and what was typed is sent", async () => {
  const calls = serve({
    "GET /api/practice": PRACTICE,
    "GET /api/session/ways": {},
    "POST /api/session": OTTILIE,
  });
  show(<SignInPage />);
  await screen.findByText(PRACTICE.name);
  type("Mail address", "ottilie@oakhollin.example");
  type("Password", "oakhollin-demo");
  fireEvent.click(screen.getByRole("button", { name: /sign in/i }));
  await waitFor(() =>
    expect(calls.find((c) => c.method === "POST")?.body).toEqual({
      email: "ottilie@oakhollin.example",
      password: "oakhollin-demo",
    }),
  );
});

test("a refusal is told in the server's words and keeps what was typed", async () => {
  serve({
    "GET /api/practice": PRACTICE,
    "GET /api/session/ways": {},
    "POST /api/session": new Refusal(429, {
      detail: "Too many failed attempts. Wait 15 minutes and try again.",
    }),
  });
  show(<SignInPage />);
  type("Mail address", "ottilie@oakhollin.example");
  type("Password", "wrong");
  fireEvent.click(screen.getByRole("button", { name: /sign in/i }));
  await screen.findByText(/Wait 15 minutes/);
  expect(screen.getByLabelText<HTMLInputElement>("Mail address").value).toBe("ottilie@oakhollin.example");
});

test("nothing is sent while a field is empty", async () => {
  const calls = serve({ "GET /api/practice": PRACTICE });
  show(<SignInPage />);
  fireEvent.click(screen.getByRole("button", { name: /sign in/i }));
  await screen.findByText("Type your password.");
  expect(calls.every((c) => c.method === "GET")).toBe(true);
});

test("a used link says so and leads to signing in", async () => {
  serve({
    "GET /api/practice": PRACTICE,
    "GET /api/session/ways": {},
    "GET /api/invitations/abc": new Refusal(410, {
      detail: "This link was used already.",
      code: "link-used",
    }),
  });
  show(<InvitationPage />, "/invitation/abc", "/invitation/:token");
  await screen.findByText("This link was used already.");
  expect(screen.getByText("Go to sign in").getAttribute("href")).toBe("/");
});

test("a short password is refused before it is sent", async () => {
  const calls = serve({
    "GET /api/practice": PRACTICE,
    "GET /api/session/ways": {},
    "GET /api/invitations/abc": { name: "Ruth Penhallow", email: "ruth@post.example" },
  });
  show(<InvitationPage />, "/invitation/abc", "/invitation/:token");
  await screen.findByText(/Welcome, Ruth Penhallow/);
  type("New password", "short");
  fireEvent.click(screen.getByRole("button", { name: /save and go in/i }));
  await screen.findByText("A password needs at least 10 characters.");
  expect(calls.every((c) => c.method === "GET")).toBe(true);
});

test("whoever forgot the password gets a link, and is told the same whether there is an account or not", async () => {
  const calls = serve({
    "GET /api/practice": PRACTICE,
    "GET /api/session/ways": {},
    "POST /api/forgotten-password": {},
  });
  show(<SignInPage />);
  fireEvent.click(await screen.findByText("Forgotten your password?"));
  type("Email address", "ottilie@oakhollin.example");
  fireEvent.click(screen.getByRole("button", { name: "Send me a link" }));
  await screen.findByText(/If there is an account with this address/);
  expect(calls.find((c) => c.method === "POST")?.body).toEqual({ email: "ottilie@oakhollin.example" });
  fireEvent.click(screen.getByText("Back to signing in"));
  await screen.findByRole("button", { name: "Sign in" });
});

async function signInAndNeed(code: string, more: object) {
  const calls = serve({
    "GET /api/practice": PRACTICE,
    "GET /api/session/ways": {},
    "POST /api/session": new Refusal(401, { detail: "More is to be shown.", code }),
    ...more,
  });
  show(<SignInPage />);
  type("Mail address", "ottilie@oakhollin.example");
  type("Password", "oakhollin-demo");
  fireEvent.click(screen.getByRole("button", { name: "Sign in" }));
  return calls;
}

test("where the account has a second factor its code is asked for, and a wrong one can be typed anew", async () => {
  let wrong = true;
  const calls = await signInAndNeed("code-needed", {
    "POST /api/session/code": () =>
      wrong
        ? new Refusal(422, {
            detail: "Not right.",
            problems: [{ field: "code", message: "That code is not right." }],
          })
        : OTTILIE,
  });
  await screen.findByLabelText("Code");
  type("Code", "123 456");
  fireEvent.click(screen.getByRole("button", { name: "Sign in" }));
  await screen.findByText("That code is not right.");
  wrong = false;
  fireEvent.click(screen.getByRole("button", { name: "Sign in" }));
  await waitFor(() => expect(calls.filter((c) => c.path === "/api/session/code")).toHaveLength(2));
  fireEvent.click(screen.getByRole("button", { name: "Back to the password" }));
  expect(screen.getByLabelText<HTMLInputElement>("Password")).toBeTruthy();
});

test("where the practice demands one it is set up, and the recovery codes are shown before one is in", async () => {
  await signInAndNeed("second-factor-needed", {
    "POST /api/session/second-factor": { secret: "ABCDEFGH", uri: "otpauth://totp/x?secret=ABCDEFGH" },
    "POST /api/session/second-factor/confirm": { me: OTTILIE, recoveryCodes: ["aaaa-bbbb", "cccc-dddd"] },
  });
  await screen.findByText("ABCD EFGH");
  type("2. Type the code it shows", "123456");
  fireEvent.click(screen.getByRole("button", { name: "Confirm and go in" }));
  await screen.findByText("cccc-dddd");
  fireEvent.click(screen.getByRole("button", { name: "I have kept them" }));
});

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
  const calls = serve({ "GET /api/practice": PRACTICE, "POST /api/session": OTTILIE });
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
  const calls = serve({ "GET /api/practice": PRACTICE, "POST /api/forgotten-password": {} });
  show(<SignInPage />);
  fireEvent.click(await screen.findByText("Forgotten your password?"));
  type("Email address", "ottilie@oakhollin.example");
  fireEvent.click(screen.getByRole("button", { name: "Send me a link" }));
  await screen.findByText(/If there is an account with this address/);
  expect(calls.find((c) => c.method === "POST")?.body).toEqual({ email: "ottilie@oakhollin.example" });
  fireEvent.click(screen.getByText("Back to signing in"));
  await screen.findByRole("button", { name: "Sign in" });
});

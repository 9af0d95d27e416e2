import { csrfToken, problemOf } from "./client";

/** Asks at an address that is known only when it is asked: GET, or POST with a body. @throws Problem with the words of the refusal */
export async function askAt<T>(address: string, body?: unknown): Promise<T> {
  const response = await fetch(
    address,
    body === undefined
      ? undefined
      : {
          method: "POST",
          body: JSON.stringify(body),
          headers: { "X-XSRF-TOKEN": csrfToken(), "Content-Type": "application/json" },
        },
  );
  const text = await response.text();
  if (!response.ok) {
    throw problemOf(response.status, text);
  }
  return (text ? JSON.parse(text) : undefined) as T;
}

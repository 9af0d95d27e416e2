import { answer, api, done, type Shape } from "../../api/client";

/** Whether this browser has passkeys, and the address is one they can be for: a name, not a number. */
export function hasPasskeys(): boolean {
  return (
    typeof PublicKeyCredential !== "undefined" &&
    "parseCreationOptionsFromJSON" in PublicKeyCredential &&
    !/^[\d.]+$|:/.test(window.location.hostname)
  );
}

/** Lets the device make a passkey, and keeps it under a label. @throws DOMException when its holder breaks off */
export async function makePasskey(label: string): Promise<void> {
  const options = await answer(api.POST("/api/my-passkeys/options"));
  const made = await navigator.credentials.create({
    publicKey: PublicKeyCredential.parseCreationOptionsFromJSON(
      options as unknown as PublicKeyCredentialCreationOptionsJSON,
    ),
  });
  const credential = (made as PublicKeyCredential).toJSON() as unknown as Record<string, never>;
  await done(api.POST("/api/my-passkeys", { body: { label, credential } }));
}

/** Signs in with a passkey. @throws DOMException when its holder breaks off */
export async function signInWithPasskey(): Promise<Shape<"Me">> {
  const options = await answer(api.POST("/api/session/passkey/options"));
  const shown = await navigator.credentials.get({
    publicKey: PublicKeyCredential.parseRequestOptionsFromJSON(
      options as unknown as PublicKeyCredentialRequestOptionsJSON,
    ),
  });
  return answer(
    api.POST("/api/session/passkey", {
      body: (shown as PublicKeyCredential).toJSON() as unknown as Record<string, never>,
    }),
  );
}

/** Whether somebody only broke off what the device asked. */
export function isBrokenOff(error: unknown): boolean {
  return error instanceof DOMException && (error.name === "NotAllowedError" || error.name === "AbortError");
}

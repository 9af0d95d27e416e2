/** Asks the person at the screen to sign in again. @returns whether the same account is signed in again */
type Asking = () => Promise<boolean>;

let ask: Asking | undefined;
let asked: Promise<boolean> | undefined;

/**
 * Says who asks for the password when the server no longer knows the session.
 *
 * @returns undoes it
 */
export function askWhenSessionEnds(asking: Asking): () => void {
  ask = asking;
  return () => {
    if (ask === asking) {
      ask = undefined;
    }
  };
}

/**
 * To be called when the server answered 401. However many requests were refused, the password is asked for once.
 *
 * @returns whether it can be tried again as the same account; false at once where nobody was signed in
 */
export function sessionEnded(): Promise<boolean> {
  if (!ask) {
    return Promise.resolve(false);
  }
  asked ??= ask().finally(() => {
    asked = undefined;
  });
  return asked;
}

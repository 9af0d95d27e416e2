import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { api, done, wordsOf } from "../../api/client";
import { PlainAlert, PlainField } from "../../ui/PlainForm";

/** Asks for a link by which a new password is chosen; the answer is the same whoever asks. */
export function ForgottenPassword({ onBack }: { onBack: () => void }) {
  const [email, setEmail] = useState("");
  const [tried, setTried] = useState(false);
  const ask = useMutation({
    mutationFn: (body: { email: string }) => done(api.POST("/api/forgotten-password", { body })),
  });
  if (ask.isSuccess) {
    return (
      <>
        <p>
          If there is an account with this address, a mail with a link is on its way. It holds for seven days.
        </p>
        <button type="button" className="plain-button wide" onClick={onBack}>
          Back to signing in
        </button>
      </>
    );
  }
  return (
    <form
      noValidate
      onSubmit={(e) => {
        e.preventDefault();
        setTried(true);
        if (email.trim()) {
          ask.mutate({ email: email.trim() });
        }
      }}
    >
      <p>We send you a link by which you choose a new password.</p>
      <PlainField
        label="Email address"
        autoComplete="username"
        autoFocus
        value={email}
        onChange={setEmail}
        error={tried && !email.trim() ? "Type your email address." : undefined}
      />
      {ask.error && <PlainAlert>{wordsOf(ask.error)}</PlainAlert>}
      <button type="submit" className="plain-button wide first" disabled={ask.isPending}>
        Send me a link
      </button>
      <button type="button" className="linklike door-forgotten" onClick={onBack}>
        Back to signing in
      </button>
    </form>
  );
}

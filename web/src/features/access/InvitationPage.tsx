import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { useNavigate, useParams } from "react-router";
import { answer, api, fieldWords, type Shape, wordsOf } from "../../api/client";
import "./access.css";
import { practiceOptions } from "../../api/practice";
import { PlainAlert, PlainField } from "../../ui/PlainForm";
import { PracticeMark } from "../practice/PracticeMark";
import { forgetAccount } from "./leaveSession";
import { neededAfter, SecondStep } from "./needed";
import { meOptions } from "./sessionQueries";

/** Characters of a password. */
const LEAST = 10;

/** Where a one-time link leads: the guest chooses a password and is in. */
export function InvitationPage() {
  const { token = "" } = useParams();
  const practice = useQuery(practiceOptions);
  const invitation = useQuery({
    queryKey: ["invitation", token],
    queryFn: () => answer(api.GET("/api/invitations/{token}", { params: { path: { token } } })),
    retry: false,
  });
  return (
    <main className="door">
      <div className="door-sheet">
        <PracticeMark mark={practice.data?.mark} />
        <h1>{practice.data?.name ?? "\u00a0"}</h1>
        {invitation.error && (
          <>
            <PlainAlert>{wordsOf(invitation.error)}</PlainAlert>
            <p>
              <a href="/">Go to sign in</a>
            </p>
          </>
        )}
        {invitation.data && (
          <ChoosePassword token={token} name={invitation.data.name} email={invitation.data.email} />
        )}
        {practice.data?.address && <p className="door-foot">{practice.data.address}</p>}
      </div>
    </main>
  );
}

function ChoosePassword({ token, name, email }: { token: string; name: string; email: string }) {
  const [password, setPassword] = useState("");
  const [tried, setTried] = useState(false);
  const queries = useQueryClient();
  const navigate = useNavigate();
  const comeIn = (me: Shape<"Me">) => {
    forgetAccount(queries);
    queries.setQueryData(meOptions.queryKey, me);
    navigate("/", { replace: true });
  };
  const accept = useMutation({
    mutationFn: ({ password }: { password: string }) =>
      answer(api.POST("/api/invitations/{token}", { params: { path: { token } }, body: { password } })),
    onSuccess: comeIn,
  });
  const needed = neededAfter(accept.error);
  if (needed) {
    return <SecondStep needed={needed} onIn={comeIn} onBack={() => navigate("/", { replace: true })} />;
  }
  return (
    <form
      noValidate
      onSubmit={(e) => {
        e.preventDefault();
        setTried(true);
        if (password.length >= LEAST) {
          accept.mutate({ password });
        }
      }}
    >
      <p>
        Welcome, {name}. Choose a password for <strong>{email}</strong>; from then on you sign in with both.
      </p>
      <PlainField
        label="New password"
        type="password"
        autoComplete="new-password"
        autoFocus
        hint={`At least ${LEAST} characters.`}
        value={password}
        onChange={setPassword}
        error={
          tried && password.length < LEAST ? `A password needs at least ${LEAST} characters.` : undefined
        }
      />
      {accept.error && (
        <PlainAlert>{fieldWords(accept.error, "password") ?? wordsOf(accept.error)}</PlainAlert>
      )}
      <button type="submit" className="plain-button wide first" disabled={accept.isPending}>
        Save and go in
      </button>
    </form>
  );
}

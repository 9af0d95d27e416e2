import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";
import { answer, api, type Shape, wordsOf } from "../../api/client";
import "./access.css";
import { practiceOptions } from "../../api/practice";
import { PlainAlert, PlainField } from "../../ui/PlainForm";
import { PracticeMark } from "../practice/PracticeMark";
import { ForgottenPassword } from "./ForgottenPassword";
import { forgetAccount } from "./leaveSession";
import { type Needed, neededAfter, SecondStep } from "./needed";
import { hasPasskeys, isBrokenOff, signInWithPasskey } from "./passkeys";
import { meOptions } from "./sessionQueries";

/** Why somebody came back from the house's directory without being in. */
const FROM_HOUSE: Record<string, string> = {
  unknown: "Whoever you are there has no account here that is open. Ask your administrator to invite you.",
  failed: "Signing in there did not work. Try once more, or use your password.",
};

export function SignInPage() {
  const fromHouse = FROM_HOUSE[new URLSearchParams(window.location.search).get("house") ?? ""];
  const practice = useQuery(practiceOptions);
  const ways = useQuery({
    queryKey: ["ways-in"],
    queryFn: () => answer(api.GET("/api/session/ways")),
    staleTime: Number.POSITIVE_INFINITY,
  }).data;
  const [email, setEmail] = useState("");
  const [password, setPassword] = useState("");
  const [tried, setTried] = useState(false);
  const [forgot, setForgot] = useState(false);
  const [needed, setNeeded] = useState<Needed>();
  const queries = useQueryClient();
  const comeIn = (me: Shape<"Me">) => {
    // nothing of whoever was signed in here before
    forgetAccount(queries);
    queries.setQueryData(meOptions.queryKey, me);
  };
  const signIn = useMutation({
    mutationFn: (body: Shape<"SignInRequest">) => answer(api.POST("/api/session", { body })),
    onSuccess: comeIn,
    onError: (error) => setNeeded(neededAfter(error)),
  });
  const passkey = useMutation({ mutationFn: signInWithPasskey, onSuccess: comeIn });
  const refusal = needed || isBrokenOff(passkey.error) ? null : (signIn.error ?? passkey.error);
  return (
    <main className="door">
      <div className="door-sheet">
        <PracticeMark mark={practice.data?.mark} />
        <h1>{practice.data?.name ?? "\u00a0"}</h1>
        {forgot ? (
          <ForgottenPassword onBack={() => setForgot(false)} />
        ) : needed ? (
          <SecondStep needed={needed} onIn={comeIn} onBack={() => setNeeded(undefined)} />
        ) : (
          <form
            noValidate
            onSubmit={(e) => {
              e.preventDefault();
              setTried(true);
              if (email.trim() && password) {
                signIn.mutate({ email: email.trim(), password });
              }
            }}
          >
            {fromHouse && <PlainAlert>{fromHouse}</PlainAlert>}
            <PlainField
              label="Mail address"
              autoComplete="username"
              autoFocus
              value={email}
              onChange={setEmail}
              error={tried && !email.trim() ? "Type your mail address." : undefined}
            />
            <PlainField
              label="Password"
              type="password"
              autoComplete="current-password"
              value={password}
              onChange={setPassword}
              error={tried && !password ? "Type your password." : undefined}
            />
            {refusal && <PlainAlert>{wordsOf(refusal)}</PlainAlert>}
            <button type="submit" className="plain-button wide first" disabled={signIn.isPending}>
              Sign in
            </button>
            {hasPasskeys() && (
              <button
                type="button"
                className="plain-button wide"
                disabled={passkey.isPending}
                onClick={() => passkey.mutate()}
              >
                Sign in with a passkey
              </button>
            )}
            {ways?.house && (
              <a className="plain-button wide" href={ways.houseAddress ?? ""}>
                Sign in with {ways.house}
              </a>
            )}
            <button type="button" className="linklike door-forgotten" onClick={() => setForgot(true)}>
              Forgotten your password?
            </button>
          </form>
        )}
        {practice.data?.address && <p className="door-foot">{practice.data.address}</p>}
        <p className="door-foot">
          <Link to="/check">Check a signed copy</Link>
        </p>
      </div>
    </main>
  );
}

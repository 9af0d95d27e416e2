import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Alert, Button, Form, Input } from "antd";
import { useState } from "react";
import { Link } from "react-router";
import { answer, api, type Shape, wordsOf } from "../../api/client";
import "./access.css";
import { practiceOptions } from "../../api/practice";
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
          <Form layout="vertical" requiredMark={false} onFinish={(values) => signIn.mutate(values)}>
            {fromHouse && <Alert type="warning" title={fromHouse} style={{ marginBottom: 12 }} />}
            <Form.Item
              label="Mail address"
              name="email"
              rules={[{ required: true, message: "Type your mail address." }]}
            >
              <Input autoComplete="username" autoFocus />
            </Form.Item>
            <Form.Item
              label="Password"
              name="password"
              rules={[{ required: true, message: "Type your password." }]}
            >
              <Input.Password autoComplete="current-password" />
            </Form.Item>
            {refusal && <Alert type="error" title={wordsOf(refusal)} style={{ marginBottom: 12 }} />}
            <Button type="primary" htmlType="submit" block loading={signIn.isPending}>
              Sign in
            </Button>
            {hasPasskeys() && (
              <Button
                block
                loading={passkey.isPending}
                onClick={() => passkey.mutate()}
                className="door-other"
              >
                Sign in with a passkey
              </Button>
            )}
            {ways?.house && (
              <Button block href={ways.houseAddress ?? ""} className="door-other" role="button">
                Sign in with {ways.house}
              </Button>
            )}
            <Button type="link" block onClick={() => setForgot(true)}>
              Forgotten your password?
            </Button>
          </Form>
        )}
        {practice.data?.address && <p className="door-foot">{practice.data.address}</p>}
        <p className="door-foot">
          <Link to="/check">Check a signed copy</Link>
        </p>
      </div>
    </main>
  );
}

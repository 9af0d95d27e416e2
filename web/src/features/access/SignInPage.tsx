import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Alert, Button, Form, Input } from "antd";
import { useState } from "react";
import { answer, api, type Shape, wordsOf } from "../../api/client";
import "./access.css";
import { practiceOptions } from "../../api/practice";
import { PracticeMark } from "../practice/PracticeMark";
import { ForgottenPassword } from "./ForgottenPassword";
import { forgetAccount } from "./leaveSession";
import { hasPasskeys, isBrokenOff, signInWithPasskey } from "./passkeys";
import { type Needed, neededAfter, SecondStep } from "./SecondStep";
import { meOptions } from "./sessionQueries";

export function SignInPage() {
  const practice = useQuery(practiceOptions);
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
            <Button type="link" block onClick={() => setForgot(true)}>
              Forgotten your password?
            </Button>
          </Form>
        )}
        {practice.data?.address && <p className="door-foot">{practice.data.address}</p>}
      </div>
    </main>
  );
}

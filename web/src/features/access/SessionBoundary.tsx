import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Alert, Form, Input, Modal } from "antd";
import { type ReactNode, useEffect, useRef, useState } from "react";
import { answer, api, Problem, type Shape, wordsOf } from "../../api/client";
import { askWhenSessionEnds, sessionEnded } from "../../api/session";
import { leaveSession, useOtherAccounts } from "./leaveSession";
import { type Needed, neededAfter, SecondStep } from "./SecondStep";
import { meOptions } from "./sessionQueries";

/**
 * Stands around all that an account sees. When the server no longer knows the session, the password is asked for over the
 * page: what was typed stays, and what was under way goes on. Another account begins with nothing of this one.
 */
export function SessionBoundary({ account, children }: { account: Shape<"Me">; children: ReactNode }) {
  const [isAsked, setIsAsked] = useState(false);
  const [needed, setNeeded] = useState<Needed>();
  const ended = useRef<(isBack: boolean) => void>(undefined);
  const queries = useQueryClient();
  const [form] = Form.useForm<{ password: string }>();
  useOtherAccounts(account.id);
  const me = useQuery(meOptions).error;
  useEffect(() => {
    if (me instanceof Problem && me.status === 401) {
      sessionEnded();
    }
  }, [me]);
  useEffect(
    () =>
      askWhenSessionEnds(() => {
        setIsAsked(true);
        return new Promise((resolve) => {
          ended.current = resolve;
        });
      }),
    [],
  );
  const leave = () => {
    ended.current?.(false);
    leaveSession(queries);
  };
  const goOn = (me: Shape<"Me">) => {
    if (me.id !== account.id) {
      leave();
      return;
    }
    queries.setQueryData(meOptions.queryKey, me);
    setIsAsked(false);
    setNeeded(undefined);
    form.resetFields();
    ended.current?.(true);
    queries.invalidateQueries();
  };
  const signIn = useMutation({
    mutationFn: ({ password }: { password: string }) =>
      answer(api.POST("/api/session", { body: { email: account.email, password } })),
    onSuccess: goOn,
    onError: (error) => setNeeded(neededAfter(error)),
  });
  return (
    <>
      {children}
      <Modal
        open={isAsked}
        title="Please sign in again"
        okText="Sign in"
        cancelText="Sign in as someone else"
        closable={false}
        mask={{ closable: false }}
        keyboard={false}
        okButtonProps={{ loading: signIn.isPending, hidden: needed !== undefined }}
        onOk={form.submit}
        onCancel={leave}
        width={420}
        zIndex={2000}
      >
        {needed && <SecondStep needed={needed} onIn={goOn} onBack={() => setNeeded(undefined)} />}
        <p hidden={needed !== undefined}>
          Your session has ended. Type the password of <strong>{account.email}</strong>; everything here stays
          as it is.
        </p>
        <Form
          hidden={needed !== undefined}
          form={form}
          layout="vertical"
          requiredMark={false}
          onFinish={(v) => signIn.mutate(v)}
        >
          <Form.Item
            label="Password"
            name="password"
            rules={[{ required: true, message: "Type your password." }]}
          >
            <Input.Password autoComplete="current-password" autoFocus />
          </Form.Item>
        </Form>
        {signIn.error && !needed && !neededAfter(signIn.error) && (
          <Alert
            type="error"
            title={
              signIn.error instanceof Problem && signIn.error.status === 401
                ? "The password is wrong."
                : wordsOf(signIn.error)
            }
          />
        )}
      </Modal>
    </>
  );
}

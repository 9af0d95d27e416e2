import { useMutation } from "@tanstack/react-query";
import { Alert, Form, Input, Modal } from "antd";
import { useState } from "react";
import { answer, api, Problem, type Shape, wordsOf } from "../../api/client";
import Antd from "../../ui/Antd";
import { type Needed, neededAfter, SecondStep } from "./needed";

type Asking = {
  email: string;
  onIn: (me: Shape<"Me">) => void;
  /** Somebody else wants to sign in. */
  onLeave: () => void;
};

/** Asks for the password over a page whose session has ended. */
export default function SignInAgain(asking: Asking) {
  return (
    <Antd>
      <Ask {...asking} />
    </Antd>
  );
}

function Ask({ email, onIn, onLeave }: Asking) {
  const [needed, setNeeded] = useState<Needed>();
  const [form] = Form.useForm<{ password: string }>();
  const signIn = useMutation({
    mutationFn: ({ password }: { password: string }) =>
      answer(api.POST("/api/session", { body: { email, password } })),
    onSuccess: onIn,
    onError: (error) => setNeeded(neededAfter(error)),
  });
  return (
    <Modal
      open
      title="Please sign in again"
      okText="Sign in"
      cancelText="Sign in as someone else"
      closable={false}
      mask={{ closable: false }}
      keyboard={false}
      okButtonProps={{ loading: signIn.isPending, hidden: needed !== undefined }}
      onOk={form.submit}
      onCancel={onLeave}
      width={420}
      zIndex={2000}
    >
      {needed && <SecondStep needed={needed} onIn={onIn} onBack={() => setNeeded(undefined)} />}
      <p hidden={needed !== undefined}>
        Your session has ended. Type the password of <strong>{email}</strong>; everything here stays as it is.
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
  );
}

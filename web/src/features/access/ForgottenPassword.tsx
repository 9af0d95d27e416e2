import { useMutation } from "@tanstack/react-query";
import { Alert, Button, Form, Input } from "antd";
import { api, done, wordsOf } from "../../api/client";

/** Asks for a link by which a new password is chosen; the answer is the same whoever asks. */
export function ForgottenPassword({ onBack }: { onBack: () => void }) {
  const ask = useMutation({
    mutationFn: (body: { email: string }) => done(api.POST("/api/forgotten-password", { body })),
  });
  if (ask.isSuccess) {
    return (
      <>
        <p>
          If there is an account with this address, a mail with a link is on its way. It holds for seven days.
        </p>
        <Button block onClick={onBack}>
          Back to signing in
        </Button>
      </>
    );
  }
  return (
    <Form layout="vertical" requiredMark={false} onFinish={(values) => ask.mutate(values)}>
      <p>We send you a link by which you choose a new password.</p>
      <Form.Item
        label="Email address"
        name="email"
        rules={[{ required: true, message: "Type your email address." }]}
      >
        <Input autoComplete="username" autoFocus />
      </Form.Item>
      {ask.error && <Alert type="error" title={wordsOf(ask.error)} style={{ marginBottom: 12 }} />}
      <Button type="primary" htmlType="submit" block loading={ask.isPending}>
        Send me a link
      </Button>
      <Button type="link" block onClick={onBack}>
        Back to signing in
      </Button>
    </Form>
  );
}

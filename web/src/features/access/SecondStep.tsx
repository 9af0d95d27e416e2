import { useMutation, useQuery } from "@tanstack/react-query";
import { Alert, Button, Form, Input, QRCode, Typography } from "antd";
import { answer, api, fieldWords, type Shape, wordsOf } from "../../api/client";
import type { Needed } from "./needed";

type Me = Shape<"Me">;

/** The step after the password: the code of one's device, or setting one up where the practice asks for it. */
export function SecondStep({
  needed,
  onIn,
  onBack,
}: {
  needed: Needed;
  onIn: (me: Me) => void;
  /** Back to the password. */
  onBack: () => void;
}) {
  return needed === "code-needed" ? (
    <TypeCode onIn={onIn} onBack={onBack} />
  ) : (
    <SetUpOnTheWayIn onIn={onIn} onBack={onBack} />
  );
}

function TypeCode({ onIn, onBack }: { onIn: (me: Me) => void; onBack: () => void }) {
  const send = useMutation({
    mutationFn: (body: { code: string }) => answer(api.POST("/api/session/code", { body })),
    onSuccess: onIn,
  });
  return (
    <Form layout="vertical" requiredMark={false} onFinish={(values) => send.mutate(values)}>
      <CodeItem
        label="Code"
        extra="From the app on your device, or one of your recovery codes."
        error={send.error}
      />
      <Button type="primary" htmlType="submit" block loading={send.isPending}>
        Sign in
      </Button>
      <Button type="link" block onClick={onBack}>
        Back to the password
      </Button>
    </Form>
  );
}

/** The field for a code, with what was wrong about the last one. */
export function CodeItem({ label, extra, error }: { label: string; extra?: string; error: unknown }) {
  return (
    <>
      <Form.Item
        label={label}
        name="code"
        extra={extra}
        rules={[{ required: true, whitespace: true, message: "Type the code." }]}
      >
        <Input autoComplete="one-time-code" inputMode="text" autoFocus maxLength={40} />
      </Form.Item>
      {error ? (
        <Alert
          type="error"
          title={fieldWords(error, "code") ?? wordsOf(error)}
          style={{ marginBottom: 12 }}
        />
      ) : null}
    </>
  );
}

function SetUpOnTheWayIn({ onIn, onBack }: { onIn: (me: Me) => void; onBack: () => void }) {
  const secret = useQuery({
    queryKey: ["session", "second-factor"],
    queryFn: () => answer(api.POST("/api/session/second-factor")),
    staleTime: Number.POSITIVE_INFINITY,
    gcTime: 0,
    retry: false,
  });
  const confirm = useMutation({
    mutationFn: (body: { code: string }) => answer(api.POST("/api/session/second-factor/confirm", { body })),
  });
  if (confirm.data) {
    const { me, recoveryCodes } = confirm.data;
    return <RecoveryCodes codes={recoveryCodes} onKept={() => onIn(me)} />;
  }
  return (
    <>
      <p>Your practice asks for a second factor: a code that your phone shows, besides the password.</p>
      {secret.error && <Alert type="error" title={wordsOf(secret.error)} style={{ marginBottom: 12 }} />}
      {secret.data && <ScanSecret secret={secret.data} confirm={confirm} okText="Confirm and go in" />}
      <Button type="link" block onClick={onBack}>
        Back to the password
      </Button>
    </>
  );
}

type Confirming = { error: unknown; isPending: boolean; mutate: (body: { code: string }) => void };

/** The secret as a code to be scanned and as words, and the field for the first code. */
export function ScanSecret({
  secret,
  confirm,
  okText,
}: {
  secret: Shape<"NewSecret">;
  confirm: Confirming;
  okText: string;
}) {
  return (
    <>
      <p>1. Scan this with an app for codes, or type the words below it there.</p>
      <div className="scan-secret">
        <div aria-hidden="true">
          <QRCode value={secret.uri} size={176} bordered={false} type="svg" />
        </div>
        <Typography.Text code copyable={{ text: secret.secret }}>
          {secret.secret.replace(/(.{4})(?!$)/g, "$1 ")}
        </Typography.Text>
      </div>
      <Form layout="vertical" requiredMark={false} onFinish={(values) => confirm.mutate(values)}>
        <CodeItem label="2. Type the code it shows" error={confirm.error} />
        <Button type="primary" htmlType="submit" block loading={confirm.isPending}>
          {okText}
        </Button>
      </Form>
    </>
  );
}

/** Recovery codes, shown this once. */
export function RecoveryCodes({ codes, onKept }: { codes: string[]; onKept: () => void }) {
  return (
    <>
      <p>
        Keep these recovery codes where you keep important papers. Each lets you in once when your device is
        not at hand. They are shown only now.
      </p>
      <Typography.Paragraph copyable={{ text: codes.join("\n") }} className="recovery-codes">
        {codes.map((code) => (
          <code key={code}>{code}</code>
        ))}
      </Typography.Paragraph>
      <Button type="primary" block onClick={onKept}>
        I have kept them
      </Button>
    </>
  );
}

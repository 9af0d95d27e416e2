import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Alert, Button, Form, Input } from "antd";
import { useNavigate, useParams } from "react-router";
import { answer, api, fieldWords, type Shape, wordsOf } from "../../api/client";
import "./access.css";
import { practiceOptions } from "../../api/practice";
import { PracticeMark } from "../practice/PracticeMark";
import { forgetAccount } from "./leaveSession";
import { neededAfter, SecondStep } from "./needed";
import { meOptions } from "./sessionQueries";

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
            <Alert type="warning" title={wordsOf(invitation.error)} />
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
    <Form layout="vertical" requiredMark={false} onFinish={(values) => accept.mutate(values)}>
      <p>
        Welcome, {name}. Choose a password for <strong>{email}</strong>; from then on you sign in with both.
      </p>
      <Form.Item
        label="New password"
        name="password"
        extra="At least 10 characters."
        rules={[{ required: true, min: 10, message: "A password needs at least 10 characters." }]}
      >
        <Input.Password autoComplete="new-password" autoFocus />
      </Form.Item>
      {accept.error && (
        <Alert
          type="error"
          title={fieldWords(accept.error, "password") ?? wordsOf(accept.error)}
          style={{ marginBottom: 12 }}
        />
      )}
      <Button type="primary" htmlType="submit" block loading={accept.isPending}>
        Save and go in
      </Button>
    </Form>
  );
}

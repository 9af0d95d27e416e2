import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Alert, Button, Form, Input, Select } from "antd";
import { useNavigate, useParams } from "react-router";
import { answer, api, done, fieldWords, type Shape, wordsOf } from "../../api/client";
import "../access/access.css";
import { forgetAccount } from "../access/leaveSession";
import { meOptions } from "../access/sessionQueries";

type Founding = Omit<Shape<"FoundingRequest">, "key">;

/** Founds the practice and its first administrator, on an installation that has none. */
export function BeginPage() {
  const { key = "" } = useParams();
  const state = useQuery({ queryKey: ["beginning"], queryFn: () => answer(api.GET("/api/beginning")) });
  return (
    <main className="door">
      <div className="door-sheet wide">
        <h1>Begin with Den Fold</h1>
        {state.data?.open === false ? (
          <p>
            There is a practice here already. <a href="/">Go to sign in</a>
          </p>
        ) : (
          <Found token={key} />
        )}
      </div>
    </main>
  );
}

function Found({ token }: { token: string }) {
  const queries = useQueryClient();
  const navigate = useNavigate();
  const found = useMutation({
    mutationFn: async (founding: Founding) => {
      await done(api.POST("/api/beginning", { body: { ...founding, key: token } }));
      const { email, password } = founding;
      return answer(api.POST("/api/session", { body: { email, password } }));
    },
    onSuccess: (me) => {
      forgetAccount(queries);
      queries.setQueryData(meOptions.queryKey, me);
      navigate("/set-up/sets?first", { replace: true });
    },
  });
  const told = (field: string) => {
    const words = fieldWords(found.error, field);
    return words ? { validateStatus: "error" as const, help: words } : {};
  };
  const needed = (words: string) => [{ required: true, whitespace: true, message: words }];
  return (
    <Form
      layout="vertical"
      requiredMark={false}
      initialValues={{ zone: Intl.DateTimeFormat().resolvedOptions().timeZone }}
      onFinish={(values: Founding) => found.mutate(values)}
    >
      <Form.Item
        label="What is your practice called?"
        name="practice"
        rules={needed("A name is needed.")}
        {...told("practice")}
      >
        <Input maxLength={120} autoFocus placeholder="practice, school, firm, club or house" />
      </Form.Item>
      <Form.Item label="Time zone" name="zone" {...told("zone")}>
        <Select
          showSearch
          aria-label="Time zone"
          options={Intl.supportedValuesOf("timeZone").map((zone) => ({
            value: zone,
            label: zone.replaceAll("_", " "),
          }))}
        />
      </Form.Item>
      <Form.Item label="Your name" name="name" rules={needed("Your name is needed.")} {...told("name")}>
        <Input maxLength={120} autoComplete="name" />
      </Form.Item>
      <Form.Item
        label="Your mail address"
        name="email"
        rules={[{ required: true, type: "email", message: "A mail address is needed." }]}
        {...told("email")}
      >
        <Input maxLength={254} autoComplete="username" />
      </Form.Item>
      <Form.Item
        label="A password"
        name="password"
        extra="At least 10 characters."
        rules={[{ required: true, min: 10, message: "A password needs at least 10 characters." }]}
        {...told("password")}
      >
        <Input.Password autoComplete="new-password" />
      </Form.Item>
      {found.error && <Alert type="error" title={wordsOf(found.error)} style={{ marginBottom: 12 }} />}
      <Button type="primary" htmlType="submit" block loading={found.isPending}>
        Begin
      </Button>
    </Form>
  );
}

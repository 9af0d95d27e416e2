import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Alert, App, Button, Checkbox, Form, Input, Modal, Popconfirm, Typography } from "antd";
import { useState } from "react";
import { Link } from "react-router";
import { answer, api, done, fieldWords, type Shape, wordsOf } from "../../api/client";
import { DayField } from "../../ui/DayField";
import { day, moment } from "../../ui/days";
import { Loaded } from "../../ui/Quiet";
import "./programs.css";

type Key = Shape<"KeyAnswer">;
type Scope = Key["scopes"][number];

const SCOPES: Record<Scope, string> = {
  COVERAGE: "read coverage",
  ARRIVALS: "add arrivals",
  PEOPLE: "people in and out",
};

const keysOptions = {
  queryKey: ["set-up", "keys"],
  queryFn: () => answer(api.GET("/api/set-up/keys")),
};

/** Keys with which programs ask. */
export function KeysSetUp() {
  const keys = useQuery(keysOptions);
  const [makes, setMakes] = useState(false);
  return (
    <section className="set-up-body wide" aria-label="Keys for programs">
      <div className="checklist-head">
        <h2>Keys for programs</h2>
        <span className="grow" />
        <Button type="primary" onClick={() => setMakes(true)}>
          Make a key
        </Button>
      </div>
      <p className="muted">
        With a key a program of yours can ask, for what you allow and until the day you say.{" "}
        <Link to="/help/programs">How a program asks</Link>
      </p>
      <Loaded query={keys}>
        {(all) =>
          all.length === 0 ? (
            <p className="muted">No program has a key.</p>
          ) : (
            <Keys all={[...all].sort((a, b) => Number(a.ended) - Number(b.ended))} />
          )
        }
      </Loaded>
      {makes && <NewKey onClose={() => setMakes(false)} />}
    </section>
  );
}

function Keys({ all }: { all: Key[] }) {
  const { message } = App.useApp();
  const queries = useQueryClient();
  const end = useMutation({
    mutationFn: (key: Key) => done(api.DELETE("/api/set-up/keys/{id}", { params: { path: { id: key.id } } })),
    onSuccess: async (_, key) => {
      message.success(`The key of ${key.name} lets nobody in any more.`);
      await queries.invalidateQueries({ queryKey: keysOptions.queryKey });
    },
    onError: (error) => message.error(wordsOf(error)),
  });
  return (
    <table className="keys-table">
      <thead>
        <tr>
          <th scope="col">Program</th>
          <th scope="col">May</th>
          <th scope="col">Holds</th>
          <th scope="col">Last used</th>
          <th scope="col" aria-label="What can be done" />
        </tr>
      </thead>
      <tbody>
        {all.map((key) => (
          <tr key={key.id} className={key.ended ? "muted" : undefined}>
            <td>
              <strong>{key.name}</strong>
              <div className="muted">
                made by {key.madeBy}, {moment(key.madeAt)}
              </div>
            </td>
            <td>
              {key.scopes.map((s) => SCOPES[s]).join(", ")}
              {key.seesSensitive && <div className="muted">sensitive papers too</div>}
            </td>
            <td>{key.ended ? "ended" : key.until ? `until ${day(key.until)}` : "without end"}</td>
            <td className="tabular">{key.usedAt ? moment(key.usedAt) : "never"}</td>
            <td>
              {!key.ended && (
                <Popconfirm
                  title={`End the key of ${key.name}?`}
                  description="The program is refused from now on."
                  okText="End it"
                  okButtonProps={{ danger: true }}
                  onConfirm={() => end.mutate(key)}
                >
                  <Button size="small" danger>
                    End…
                  </Button>
                </Popconfirm>
              )}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

type Wanted = { name: string; scopes: Scope[]; seesSensitive: boolean; until?: string | null };

/** Says what a key is for; then shows it, this once. */
function NewKey({ onClose }: { onClose: () => void }) {
  const [form] = Form.useForm<Wanted>();
  const queries = useQueryClient();
  const make = useMutation({
    mutationFn: (wanted: Wanted) =>
      answer(api.POST("/api/set-up/keys", { body: { ...wanted, until: wanted.until ?? undefined } })),
    onSuccess: () => queries.invalidateQueries({ queryKey: keysOptions.queryKey }),
  });
  const told = (field: string) => {
    const words = fieldWords(make.error, field);
    return words ? { validateStatus: "error" as const, help: words } : {};
  };
  if (make.data) {
    return (
      <Modal
        title="The key"
        open
        closable={false}
        footer={
          <Button type="primary" onClick={onClose}>
            I have kept it
          </Button>
        }
      >
        <p>This is the only time it is shown. Whoever has it can do what it is for.</p>
        <Typography.Paragraph code copyable className="made-key">
          {make.data.key}
        </Typography.Paragraph>
      </Modal>
    );
  }
  return (
    <Modal
      title="Make a key"
      open
      okText="Make it"
      okButtonProps={{ loading: make.isPending }}
      onOk={() => form.submit()}
      onCancel={onClose}
    >
      {make.error && <Alert type="error" title={wordsOf(make.error)} />}
      <Form
        form={form}
        layout="vertical"
        requiredMark={false}
        initialValues={{ name: "", scopes: ["COVERAGE"], seesSensitive: false }}
        onFinish={(wanted) => make.mutate(wanted)}
      >
        <Form.Item
          label="Program"
          name="name"
          extra="The trail tells its acts by this name."
          rules={[{ required: true, whitespace: true, message: "A name is needed." }]}
          {...told("name")}
        >
          <Input maxLength={80} placeholder="such as payroll" />
        </Form.Item>
        <Form.Item
          label="May"
          name="scopes"
          rules={[{ required: true, message: "Choose at least one thing." }]}
          {...told("scopes")}
        >
          <Checkbox.Group
            options={Object.entries(SCOPES).map(([value, label]) => ({ value, label }))}
            className="key-scopes"
          />
        </Form.Item>
        <Form.Item name="seesSensitive" valuePropName="checked">
          <Checkbox>sees sensitive papers too</Checkbox>
        </Form.Item>
        <Form.Item label="Last day" name="until" {...told("until")}>
          <DayField label="Last day" placeholder="without end" />
        </Form.Item>
      </Form>
    </Modal>
  );
}

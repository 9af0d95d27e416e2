import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import {
  Alert,
  App,
  AutoComplete,
  Button,
  Checkbox,
  Drawer,
  Form,
  Input,
  Popconfirm,
  Radio,
  Space,
} from "antd";
import { answer, api, done, fieldWords, type Shape, wordsOf } from "../../api/client";
import { DraftNote } from "../../ui/DraftNote";
import { useFormDraft } from "../../ui/useFormDraft";
import { meOptions } from "../access/sessionQueries";
import type { StaffAccount } from "./accountQueries";

type Details = Shape<"ColleagueDetails">;

function detailsOf(account: StaffAccount | undefined): Details {
  return account
    ? {
        email: account.email,
        name: account.name,
        role: account.role,
        team: account.team ?? "",
        title: account.title ?? "",
        seesSensitive: account.seesSensitive,
        mayChange: account.mayChange,
      }
    : { email: "", name: "", role: "COLLEAGUE", team: "", title: "", seesSensitive: false, mayChange: true };
}

/** Invites somebody, or says what an account may from now on, and pauses or ends it. */
export function AccountEditor({
  account,
  teams,
  onClose,
}: {
  /** Undefined for somebody who is to be invited. */
  account: StaffAccount | undefined;
  /** Teams that accounts are limited to already. */
  teams: string[];
  onClose: () => void;
}) {
  const { message } = App.useApp();
  const queries = useQueryClient();
  const me = useQuery(meOptions).data;
  const { draft, props, show } = useFormDraft<Details>(
    `account ${account?.id ?? "new"}`,
    detailsOf(account),
    account?.version ?? 0,
  );
  const refresh = () => queries.invalidateQueries({ queryKey: ["set-up", "accounts"] });
  const save = useMutation({
    mutationFn: async (details: Details) => {
      if (account) {
        const params = { path: { id: account.id } };
        await answer(
          api.PUT("/api/set-up/accounts/{id}", { params, body: { version: draft.version, details } }),
        );
      } else {
        await answer(api.POST("/api/set-up/accounts", { body: details }));
      }
    },
    onSuccess: async (_, details) => {
      message.success(account ? "Saved. It holds at once." : `${details.name} gets a mail with a link.`);
      draft.discard();
      await refresh();
      onClose();
    },
  });
  const told = (field: string) => {
    const words = fieldWords(save.error, field);
    return words ? { validateStatus: "error" as const, help: words } : {};
  };
  const isAdministrator = draft.value.role === "ADMINISTRATOR";
  const isOwn = account !== undefined && account.id === me?.id;
  return (
    <Drawer title={account?.name ?? "Invite someone"} size={480} open onClose={onClose}>
      <Form
        layout="vertical"
        requiredMark={false}
        {...props}
        onFinish={(values) =>
          save.mutate(values.role === "ADMINISTRATOR" ? { ...values, team: "", mayChange: true } : values)
        }
      >
        <DraftNote draft={draft} onDiscard={show} />
        <Form.Item
          label="Name"
          name="name"
          rules={[{ required: true, whitespace: true, message: "A name is needed." }]}
          {...told("name")}
        >
          <Input maxLength={120} />
        </Form.Item>
        <Form.Item
          label="Email address"
          name="email"
          rules={[{ required: true, type: "email", message: "An email address is needed." }]}
          extra={account ? "The address stays; whoever has another one is invited anew." : undefined}
          {...told("email")}
        >
          <Input disabled={account !== undefined} maxLength={254} />
        </Form.Item>
        <Form.Item label="What they are in the practice" name="title" {...told("title")}>
          <Input maxLength={80} placeholder="such as lead therapist" />
        </Form.Item>
        <Form.Item label="Role" name="role" {...told("role")}>
          <Radio.Group
            disabled={isOwn}
            options={[
              { value: "COLLEAGUE", label: "Colleague" },
              { value: "ADMINISTRATOR", label: "Administrator" },
            ]}
          />
        </Form.Item>
        {!isAdministrator && (
          <Form.Item
            label="Sees the files of"
            name="team"
            extra="Leave it empty for every team."
            {...told("team")}
          >
            <AutoComplete
              options={teams.map((value) => ({ value }))}
              showSearch={{ filterOption: true }}
              placeholder="every team"
            />
          </Form.Item>
        )}
        <Form.Item name="seesSensitive" valuePropName="checked" {...told("seesSensitive")}>
          <Checkbox>sees sensitive sections and types</Checkbox>
        </Form.Item>
        {!isAdministrator && (
          <Form.Item name="mayChange" valuePropName="checked" {...told("mayChange")}>
            <Checkbox>may change files; otherwise looks only</Checkbox>
          </Form.Item>
        )}
        {save.error && <Alert type="error" title={wordsOf(save.error)} style={{ marginBottom: 12 }} />}
        <Button type="primary" htmlType="submit" loading={save.isPending}>
          {account ? "Save" : "Send the invitation"}
        </Button>
      </Form>
      {account && !isOwn && <Standing account={account} onDone={refresh} onClose={onClose} />}
    </Drawer>
  );
}

/** Whether its holder can sign in, and what changes that. */
function Standing({
  account,
  onDone,
  onClose,
}: {
  account: StaffAccount;
  onDone: () => Promise<void>;
  onClose: () => void;
}) {
  const { message } = App.useApp();
  const params = { path: { id: account.id } };
  const act = useMutation({
    mutationFn: ({ call }: { call: () => Promise<unknown>; said: string }) => done(call()),
    onSuccess: async (_, { said }) => {
      message.success(said);
      await onDone();
    },
    onError: (error) => message.error(wordsOf(error)),
  });
  const pause = (paused: boolean) =>
    act.mutate({
      call: () => api.PUT("/api/set-up/accounts/{id}/pause", { params, body: { paused } }),
      said: paused
        ? `${account.name} is signed out and cannot sign in.`
        : `${account.name} can sign in again.`,
    });
  if (account.state === "ENDED") {
    return (
      <section className="account-standing">
        <p className="muted">This account has ended. What was done with it stays in the trail.</p>
        <Button
          loading={act.isPending}
          onClick={() =>
            act.mutate({
              call: () => api.POST("/api/accounts/{id}/open", { params }),
              said: `${account.name} can sign in again.`,
            })
          }
        >
          Open it again
        </Button>
      </section>
    );
  }
  return (
    <section className="account-standing">
      <Space wrap>
        {account.state !== "PAUSED" && (
          <Button
            loading={act.isPending}
            onClick={() =>
              act.mutate({
                call: () => api.POST("/api/set-up/accounts/{id}/link", { params }),
                said: "A mail with a fresh link is on its way.",
              })
            }
          >
            {account.state === "INVITED" ? "Invite again" : "Send a link for a new password"}
          </Button>
        )}
        <Button loading={act.isPending} onClick={() => pause(account.state !== "PAUSED")}>
          {account.state === "PAUSED" ? "End the pause" : "Pause"}
        </Button>
        <Popconfirm
          title={`End the account of ${account.name}?`}
          description="They are signed out at once, and their links end. The trail keeps what they did."
          okText="End it"
          okButtonProps={{ danger: true }}
          onConfirm={() => {
            act.mutate({
              call: () => api.POST("/api/accounts/{id}/close", { params }),
              said: `The account of ${account.name} has ended.`,
            });
            onClose();
          }}
        >
          <Button danger loading={act.isPending}>
            End the account…
          </Button>
        </Popconfirm>
      </Space>
    </section>
  );
}

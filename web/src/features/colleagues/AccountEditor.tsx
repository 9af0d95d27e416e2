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
  Select,
  Space,
} from "antd";
import { answer, api, done, fieldWords, type Shape, wordsOf } from "../../api/client";
import { DayField } from "../../ui/DayField";
import { DraftNote } from "../../ui/DraftNote";
import { useFormDraft } from "../../ui/useFormDraft";
import { meOptions } from "../access/sessionQueries";
import { desksOptions } from "../arrivals/deskQueries";
import { setUpSectionsOptions, setUpTypesOptions } from "../catalog/setUpQueries";
import { PersonPicker } from "../people/PersonPicker";
import { REACHES, type StaffAccount, teamsOptions } from "./accountQueries";

type Details = Shape<"ColleagueDetails">;

const NEWCOMER: Details = {
  email: "",
  name: "",
  role: "COLLEAGUE",
  scope: {
    reach: "EVERYBODY",
    leads: [],
    seesSensitive: false,
    seesSections: [],
    seesTypes: [],
    mayChange: true,
    marking: "MAKES",
  },
  post: {},
};

function detailsOf(account: StaffAccount | undefined): Details {
  if (!account) {
    return NEWCOMER;
  }
  const { email, name, role, scope, post } = account;
  return { email: email ?? "", name, role, scope, post };
}

/** As it is sent: what the chosen role or reach leaves no room for is left out. */
function toSend({ scope, post, ...who }: Details): Details {
  const isAdministrator = who.role === "ADMINISTRATOR";
  return {
    ...who,
    scope: {
      ...scope,
      reach: isAdministrator ? "EVERYBODY" : scope.reach,
      mayChange: isAdministrator || scope.mayChange,
      seesSections: scope.seesSensitive ? [] : scope.seesSections,
      seesTypes: scope.seesSensitive ? [] : scope.seesTypes,
    },
    post: post.deputy ? post : { ...post, deputyFrom: undefined, deputyUntil: undefined },
  };
}

/** Invites somebody, or says what an account may from now on, and pauses or ends it. */
export function AccountEditor({
  account,
  all,
  onClose,
}: {
  /** Undefined for somebody who is to be invited. */
  account: StaffAccount | undefined;
  /** All who work or worked here. */
  all: StaffAccount[];
  onClose: () => void;
}) {
  const { message } = App.useApp();
  const queries = useQueryClient();
  const me = useQuery(meOptions).data;
  const teams = (useQuery(teamsOptions).data ?? []).map((t) => t.name);
  const sections = useQuery(setUpSectionsOptions).data ?? [];
  const sensitive = sections.filter((s) => s.sensitive).map((s) => s.code);
  const types = (useQuery(setUpTypesOptions).data ?? []).filter(
    (t) => t.sensitive || sensitive.includes(t.section),
  );
  const desks = useQuery(desksOptions).data ?? [];
  const roles = [
    ...new Set((useQuery(setUpTypesOptions).data ?? []).flatMap((t) => t.signers.map((s) => s.role))),
  ].sort();
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
  const { role, scope, post } = draft.value;
  const isAdministrator = role === "ADMINISTRATOR";
  const isOwn = account !== undefined && account.id === me?.id;
  const others = all.filter((a) => a.id !== account?.id && a.state !== "ENDED");
  return (
    <Drawer title={account?.name ?? "Invite someone"} size={520} open onClose={onClose}>
      <Form
        layout="vertical"
        requiredMark={false}
        className="account-form"
        {...props}
        onFinish={() => save.mutate(toSend(draft.value))}
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
        <Form.Item label="What they are in the practice" name={["post", "title"]} {...told("post.title")}>
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
        <h3>What they see</h3>
        {!isAdministrator && (
          <Form.Item label="Sees the files of" name={["scope", "reach"]} {...told("scope.reach")}>
            <Select
              options={Object.entries(REACHES).map(([value, label]) => ({ value, label }))}
              aria-label="Sees the files of"
            />
          </Form.Item>
        )}
        <div className="account-pair">
          <Form.Item
            label="In the team"
            name={["scope", "team"]}
            extra={
              scope.reach === "AREA" || scope.reach === "DEPARTMENT"
                ? "Which it lies in stands under Teams."
                : undefined
            }
            {...told("scope.team")}
          >
            <AutoComplete
              options={teams.map((value) => ({ value }))}
              showSearch={{ filterOption: true }}
              placeholder="none"
            />
          </Form.Item>
          {!isAdministrator && (
            <Form.Item label="Leads" name={["scope", "leads"]} {...told("scope.leads")}>
              <Select
                mode="tags"
                aria-label="Leads"
                options={teams.map((value) => ({ value, label: value }))}
                placeholder="no team"
              />
            </Form.Item>
          )}
        </div>
        <Form.Item
          name={["scope", "seesSensitive"]}
          valuePropName="checked"
          {...told("scope.seesSensitive")}
          className="account-tick"
        >
          <Checkbox>sees all sensitive papers</Checkbox>
        </Form.Item>
        {!scope.seesSensitive && (
          <div className="form-grid">
            <Form.Item
              label="Sees sensitive papers in"
              name={["scope", "seesSections"]}
              {...told("scope.seesSections")}
            >
              <Select
                mode="multiple"
                aria-label="Sees sensitive papers in"
                placeholder="none"
                options={sections.map((s) => ({ value: s.code, label: s.label }))}
                showSearch={{ optionFilterProp: "label" }}
              />
            </Form.Item>
            <Form.Item label="or of the type" name={["scope", "seesTypes"]} {...told("scope.seesTypes")}>
              <Select
                mode="multiple"
                aria-label="Sees sensitive papers of the type"
                placeholder="none"
                options={types.map((t) => ({ value: t.code, label: t.label }))}
                showSearch={{ optionFilterProp: "label" }}
              />
            </Form.Item>
          </div>
        )}
        {!isAdministrator && (
          <Form.Item
            name={["scope", "mayChange"]}
            valuePropName="checked"
            {...told("scope.mayChange")}
            className="account-tick"
          >
            <Checkbox>may change files; otherwise looks only</Checkbox>
          </Form.Item>
        )}
        <Form.Item label="Marks on pages" name={["scope", "marking"]} {...told("scope.marking")}>
          <Select
            aria-label="Marks on pages"
            options={[
              { value: "NOTHING", label: "sees none" },
              { value: "SEES", label: "sees them" },
              { value: "MAKES", label: "makes them" },
              { value: "OPENS_COVERS", label: "makes them, and may open covers in copies" },
            ]}
          />
        </Form.Item>
        <h3>Their place</h3>
        <Form.Item
          label="Their own file"
          htmlFor="account-own-file"
          name={["post", "ownFile"]}
          extra={
            scope.reach === "OWN_PEOPLE"
              ? "Own people are those whose file names this one, as their supervisor or therapist say."
              : undefined
          }
          {...told("post.ownFile")}
        >
          <OwnFile />
        </Form.Item>
        <div className="account-pair">
          <Form.Item label="Signs as" name={["post", "signsAs"]} {...told("post.signsAs")}>
            <AutoComplete options={roles.map((value) => ({ value }))} placeholder="nobody but themselves" />
          </Form.Item>
          <Form.Item label="Works at the desk" name={["post", "desk"]} {...told("post.desk")}>
            <Select
              allowClear
              aria-label="Works at the desk"
              options={desks.map((value) => ({ value, label: value }))}
              placeholder="none"
              notFoundContent="No pickup has a desk yet."
            />
          </Form.Item>
        </div>
        <Form.Item
          label="Deputy"
          name={["post", "deputy"]}
          extra="Sees and does what lies with them: papers handed over, and those to decide."
          {...told("post.deputy")}
        >
          <Select
            allowClear
            aria-label="Deputy"
            showSearch={{ optionFilterProp: "label" }}
            placeholder="nobody"
            options={others.map((a) => ({ value: a.id, label: a.name }))}
          />
        </Form.Item>
        {post.deputy && (
          <div className="account-pair">
            <Form.Item label="From" name={["post", "deputyFrom"]} {...told("post.deputyFrom")}>
              <DayField label="Deputy from" placeholder="at once" />
            </Form.Item>
            <Form.Item label="Until" name={["post", "deputyUntil"]} {...told("post.deputyUntil")}>
              <DayField label="Deputy until" placeholder="without end" />
            </Form.Item>
          </div>
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

/** Their own file, found as one types. */
function OwnFile({ value, onChange }: { value?: string | null; onChange?: (file?: string) => void }) {
  return (
    <div className="own-file">
      <PersonPicker id="account-own-file" value={value} known={[]} onChange={(id) => onChange?.(id)} />
      {value && <Button onClick={() => onChange?.(undefined)}>None</Button>}
    </div>
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
        {account.state === "ACTIVE" && (
          <Popconfirm
            title={`Take away the second factor of ${account.name}?`}
            description="For a lost device. They sign in with the password alone, or set it up anew."
            okText="Take it away"
            onConfirm={() =>
              act.mutate({
                call: () => api.POST("/api/set-up/accounts/{id}/end-second-factor", { params }),
                said: `${account.name} has no second factor now.`,
              })
            }
          >
            <Button loading={act.isPending}>Lost device…</Button>
          </Popconfirm>
        )}
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

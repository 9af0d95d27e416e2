import { DeleteOutlined, PlusOutlined } from "@ant-design/icons";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Alert, App, AutoComplete, Button, Checkbox, Input, InputNumber, Modal, Select } from "antd";
import { useState } from "react";
import { answer, api, type Shape, wordsOf } from "../../../api/client";
import { DayField } from "../../../ui/DayField";
import { Loaded } from "../../../ui/Quiet";
import {
  type AskedField,
  type AskedSigner,
  type Candidate,
  proposedFields,
  proposedSigners,
  requestFields,
  requestSigners,
  stepsOf,
} from "./asked";
import { proposalOptions } from "./askQueries";
import { PlaceFields } from "./PlaceFields";
import "./asking.css";

export type PaperToAsk = { id: string; name: string; version: number; pages: number; versionNumber: number };

type AskModalProps = { papers: PaperToAsk[]; onClose: () => void };

/** Asks for signatures on papers of one file: who, in which order, where on the pages, and until when. */
export function AskModal({ papers, onClose }: AskModalProps) {
  const proposal = useQuery(proposalOptions(papers.map((p) => p.id)));
  return (
    <Modal
      title={papers.length === 1 ? "Ask for signatures" : `Ask for signatures on ${papers.length} papers`}
      open
      onCancel={onClose}
      footer={null}
      width={1080}
      style={{ top: 24 }}
      destroyOnHidden
    >
      <Loaded query={proposal}>{(data) => <Ask papers={papers} proposal={data} onClose={onClose} />}</Loaded>
    </Modal>
  );
}

let made = 0;

function Ask({ papers, proposal, onClose }: AskModalProps & { proposal: Shape<"Proposal"> }) {
  const [signers, setSigners] = useState(() => proposedSigners(proposal));
  const [fields, setFields] = useState<AskedField[]>(() => proposedFields(proposal, signers));
  const [active, setActive] = useState(signers[0]?.key ?? "");
  const [message, setMessage] = useState("");
  const [dueOn, setDueOn] = useState<string | null>(null);
  const [endsAtDue, setEndsAtDue] = useState(false);
  const [reminds, setReminds] = useState(true);
  const [every, setEvery] = useState(5);
  const [mayPassOn, setMayPassOn] = useState(false);
  const queries = useQueryClient();
  const { message: said } = App.useApp();
  const change = (key: string, part: Partial<AskedSigner>) =>
    setSigners((all) => all.map((s) => (s.key === key ? { ...s, ...part } : s)));
  const add = (task: AskedSigner["task"]) => {
    const key = `added-${made++}`;
    const role = proposal.roles[0];
    const one: AskedSigner = {
      key,
      task,
      role: task === "APPROVE" ? "" : (role?.role ?? "signer"),
      label: task === "APPROVE" ? "looks through it first" : (role?.label ?? "signer"),
      name: "",
      email: "",
      together: false,
    };
    // approvers come before everybody who signs
    setSigners((all) =>
      task === "APPROVE"
        ? [...all.filter((s) => s.task === "APPROVE"), one, ...all.filter((s) => s.task === "SIGN")]
        : [...all, one],
    );
    setActive(key);
  };
  const ask = useMutation({
    mutationFn: () =>
      answer(
        api.POST("/api/signature-requests", {
          body: {
            papers: papers.map(({ id, version }) => ({ id, version })),
            signers: requestSigners(signers),
            fields: requestFields(fields, signers),
            message: message.trim() || null,
            dueOn,
            endsAtDue: endsAtDue && dueOn !== null,
            remindEveryDays: reminds ? every : 0,
            remindMost: reminds ? 3 : 0,
            mayPassOn,
          },
        }),
      ),
    onSuccess: () => {
      said.success("Asked. Those whose turn it is get a mail.");
      queries.invalidateQueries({ queryKey: ["files"] });
      queries.invalidateQueries({ queryKey: ["signature-requests"] });
      queries.invalidateQueries({ queryKey: ["my-signatures"] });
      onClose();
    },
  });
  const steps = stepsOf(signers);
  const without = signers.filter((s) => s.task === "SIGN" && !s.accountId && s.email.trim() === "" && s.name);
  return (
    <div className="ask-signing">
      <div className="ask-who">
        <ol className="plain-list" aria-label="Who signs">
          {signers.map((signer, i) => (
            <OneSigner
              key={signer.key}
              signer={signer}
              step={(steps[i] ?? 0) + 1}
              first={i === 0 || signers[i - 1]?.task !== signer.task}
              active={active === signer.key}
              candidates={proposal.candidates}
              roles={proposal.roles}
              onActive={() => setActive(signer.key)}
              onChange={(part) => change(signer.key, part)}
              onRemove={
                signers.length > 1 ? () => setSigners(signers.filter((s) => s !== signer)) : undefined
              }
            />
          ))}
        </ol>
        <div className="buttons">
          <Button size="small" icon={<PlusOutlined />} onClick={() => add("SIGN")}>
            Another signer
          </Button>
          <Button size="small" icon={<PlusOutlined />} onClick={() => add("APPROVE")}>
            Looks through it first
          </Button>
        </div>
        <div className="ask-line">
          <span>Message</span>
          <Input.TextArea
            aria-label="Message"
            rows={2}
            maxLength={2000}
            value={message}
            placeholder="stands in the mail; may stay empty"
            onChange={(e) => setMessage(e.target.value)}
          />
        </div>
        <div className="ask-line">
          <span>Wanted by</span>
          <DayField label="Wanted by" value={dueOn ?? ""} onChange={(day) => setDueOn(day || null)} />
          <Checkbox disabled={!dueOn} checked={endsAtDue} onChange={(e) => setEndsAtDue(e.target.checked)}>
            ends then
          </Checkbox>
        </div>
        <div className="ask-line">
          <Checkbox checked={reminds} onChange={(e) => setReminds(e.target.checked)}>
            Remind every
          </Checkbox>
          <InputNumber
            aria-label="Days between reminders"
            size="small"
            min={1}
            max={90}
            value={every}
            disabled={!reminds}
            onChange={(days) => setEvery(days ?? 5)}
          />
          <span>days, three times at most</span>
        </div>
        <Checkbox checked={mayPassOn} onChange={(e) => setMayPassOn(e.target.checked)}>
          A signer may name somebody else
        </Checkbox>
        {without.length > 0 && (
          <p className="muted">
            {without.map((s) => s.name).join(" and ")} {without.length === 1 ? "has" : "have"} no address
            here: without one, signing is at the desk or on paper.
          </p>
        )}
        {ask.error && <Alert type="error" title={wordsOf(ask.error)} />}
        <Button type="primary" size="large" loading={ask.isPending} onClick={() => ask.mutate()}>
          Ask for {papers.length === 1 ? "signatures" : `signatures on ${papers.length} papers`}
        </Button>
      </div>
      <PlaceFields
        papers={papers}
        signers={signers.filter((s) => s.task === "SIGN")}
        active={active}
        fields={fields}
        onFields={setFields}
      />
    </div>
  );
}

type OneSignerProps = {
  signer: AskedSigner;
  step: number;
  first: boolean;
  active: boolean;
  candidates: Candidate[];
  roles: Shape<"RoleToSign">[];
  onActive: () => void;
  onChange: (part: Partial<AskedSigner>) => void;
  onRemove?: () => void;
};

function OneSigner({
  signer,
  step,
  first,
  active,
  candidates,
  roles,
  onActive,
  onChange,
  onRemove,
}: OneSignerProps) {
  const approver = signer.task === "APPROVE";
  const choice = candidates.filter((c) => !approver || c.accountId);
  const label = approver ? "Who looks through it first" : `Who signs as ${signer.label}`;
  return (
    <li className={active ? "ask-signer active" : "ask-signer"} onFocus={onActive}>
      <span className="ask-step tabular" title={`Step ${step}`}>
        {step}
      </span>
      <div>
        <div className="ask-role">
          {approver ? (
            <span className="muted">looks through it first</span>
          ) : roles.length > 1 ? (
            <Select
              aria-label="Signs as"
              size="small"
              variant="borderless"
              value={signer.role}
              options={roles.map((r) => ({ value: r.role, label: r.label }))}
              onChange={(role) =>
                onChange({ role, label: roles.find((r) => r.role === role)?.label ?? role })
              }
            />
          ) : (
            <span className="muted">{signer.label}</span>
          )}
          {!first && (
            <Checkbox checked={signer.together} onChange={(e) => onChange({ together: e.target.checked })}>
              at the same time as the one above
            </Checkbox>
          )}
          {onRemove && (
            <Button
              type="text"
              size="small"
              icon={<DeleteOutlined />}
              aria-label={`Do not ask ${signer.name || signer.label}`}
              onClick={onRemove}
            />
          )}
        </div>
        <AutoComplete
          aria-label={label}
          value={signer.name}
          placeholder={approver ? "a colleague" : "choose or type a name"}
          options={choice.map((c, i) => ({
            value: `${c.name}#${i}`,
            label: (
              <span>
                {c.name} <span className="muted">{c.what}</span>
              </span>
            ),
          }))}
          showSearch={{
            filterOption: (text, option) =>
              String(option?.value).toLowerCase().includes(text.toLowerCase()) || text === signer.name,
          }}
          onChange={(text: string) => {
            const chosen = /#(\d+)$/.exec(text);
            const candidate = chosen ? choice[Number(chosen[1])] : undefined;
            onChange(
              candidate
                ? {
                    name: candidate.name,
                    email: candidate.email ?? "",
                    accountId: candidate.accountId ?? undefined,
                  }
                : { name: text, accountId: undefined },
            );
          }}
        />
        {signer.accountId ? (
          <div className="muted ask-account">signs with their own account</div>
        ) : (
          !approver && (
            <Input
              aria-label={`Mail address of ${signer.name || signer.label}`}
              placeholder="mail address"
              value={signer.email}
              onChange={(e) => onChange({ email: e.target.value })}
            />
          )
        )}
      </div>
    </li>
  );
}

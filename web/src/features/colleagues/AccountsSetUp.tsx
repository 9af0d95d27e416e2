import { useQuery } from "@tanstack/react-query";
import { Button, Input } from "antd";
import { useState } from "react";
import { useNavigate, useParams } from "react-router";
import { moment } from "../../ui/days";
import { Loaded } from "../../ui/Quiet";
import { AccountEditor } from "./AccountEditor";
import { accountsOptions, rightsOf, STATES, type StaffAccount } from "./accountQueries";
import "./colleagues.css";

/** Who works here and may see what. */
export function AccountsSetUp() {
  const accounts = useQuery(accountsOptions);
  return <Loaded query={accounts}>{(all) => <Accounts all={all} />}</Loaded>;
}

function Accounts({ all }: { all: StaffAccount[] }) {
  const { code } = useParams();
  const [text, setText] = useState("");
  const navigate = useNavigate();
  const wanted = text.trim().toLowerCase();
  const shown = all
    .filter((a) =>
      [a.name, a.email ?? "", a.scope.team ?? "", ...a.scope.leads, a.post.title ?? ""].some((w) =>
        w.toLowerCase().includes(wanted),
      ),
    )
    .sort((a, b) => Number(a.state === "ENDED") - Number(b.state === "ENDED"));
  const chosen = all.find((a) => a.id === code);
  const open = (id?: string) => navigate(id ? `/set-up/accounts/${id}` : "/set-up/accounts");
  return (
    <section className="set-up-body wide" aria-label="People with accounts">
      <div className="checklist-head">
        <h2>People with accounts</h2>
        <Input
          allowClear
          aria-label="Find a person with an account"
          placeholder="name, email address or team"
          style={{ maxWidth: 260 }}
          value={text}
          onChange={(e) => setText(e.target.value)}
        />
        <span className="grow" />
        <Button type="primary" onClick={() => open("new")}>
          Invite someone
        </Button>
      </div>
      <table className="accounts-table">
        <thead>
          <tr>
            <th scope="col">Name</th>
            <th scope="col">May see</th>
            <th scope="col">State</th>
            <th scope="col">Last here</th>
          </tr>
        </thead>
        <tbody>
          {shown.map((account) => (
            <tr key={account.id} className={account.state === "ENDED" ? "muted" : undefined}>
              <td>
                <button type="button" className="linklike" onClick={() => open(account.id)}>
                  {account.name}
                </button>
                <div className="muted">
                  {account.post.title ? `${account.post.title} · ` : ""}
                  {account.email}
                </div>
              </td>
              <td>{rightsOf(account)}</td>
              <td>
                <span className={`account-state ${account.state.toLowerCase()}`}>
                  {STATES[account.state]}
                </span>
              </td>
              <td className="muted tabular">{account.lastVisit ? moment(account.lastVisit) : "never"}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {shown.length === 0 && <p className="muted">Nobody is found by that.</p>}
      {(chosen || code === "new") && (
        <AccountEditor key={chosen?.id ?? "new"} account={chosen} all={all} onClose={() => open()} />
      )}
    </section>
  );
}

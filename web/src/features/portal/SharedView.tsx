import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { App, Button, Modal } from "antd";
import { useState } from "react";
import { api, done, type Shape, wordsOf } from "../../api/client";
import { moment } from "../../ui/days";
import { Loaded } from "../../ui/Quiet";
import { meOptions } from "../access/sessionQueries";
import { FileCalendar } from "../calendars/offile/FileCalendar";
import { ChaseStop } from "../chasing/ChaseStop";
import { MailAnswers } from "../chasing/MailAnswers";
import { NoticeLine } from "../chasing/NoticeLine";
import { WhoSees } from "../colleagues/WhoSees";
import { fileNoticesOptions, sharedOptions } from "../people/fileQueries";
import { FileMessages } from "./FileMessages";
import { ChangeRights } from "./GuestsPage";
import { InviteForm } from "./InviteForm";
import { RightsWords } from "./RightsForm";
import "./shared.css";

/** Who sees what of a file, what guests are asked for, and what was written to whom. */
export function SharedView({ file }: { file: Shape<"FileAnswer"> }) {
  const shared = useQuery(sharedOptions(file.id));
  const notices = useQuery(fileNoticesOptions(file.id));
  const me = useQuery(meOptions).data;
  return (
    <div className="shared-view">
      <Loaded query={shared}>
        {(data) => (
          <>
            <Guests file={file} guests={data.guests} />
            <Shares shares={data.shares} />
            <Asked fileId={file.id} asks={data.asks} />
          </>
        )}
      </Loaded>
      <h2>Messages</h2>
      <FileMessages fileId={file.id} mayChange={me?.mayChange ?? false} />
      <MailAnswers fileId={file.id} />
      <h2>Who sees this file</h2>
      <WhoSees fileId={file.id} />
      <FileCalendar fileId={file.id} />
      <h2>Written to them</h2>
      <ChaseStop fileId={file.id} />
      <Loaded query={notices}>
        {(list) =>
          list.length === 0 ? (
            <p className="muted">Nothing yet.</p>
          ) : (
            list.map((notice) => <NoticeLine key={notice.id} notice={notice} />)
          )
        }
      </Loaded>
    </div>
  );
}

function Guests({ file, guests }: { file: Shape<"FileAnswer">; guests: Shape<"GuestAnswer">[] }) {
  const [invites, setInvites] = useState(false);
  const [changed, setChanged] = useState<Shape<"GuestAnswer">>();
  const me = useQuery(meOptions).data;
  const mayChange = me?.mayChange ?? false;
  const { message, modal } = App.useApp();
  const queries = useQueryClient();
  const end = useMutation({
    mutationFn: (accountId: string) =>
      done(
        api.DELETE("/api/files/{id}/guests/{accountId}", { params: { path: { id: file.id, accountId } } }),
      ),
    onSettled: () => queries.invalidateQueries({ queryKey: ["files", file.id] }),
    onError: (error) => message.error(wordsOf(error)),
  });
  const confirmEnd = (guest: Shape<"GuestAnswer">) =>
    modal.confirm({
      title: `End ${guest.name}’s access to this file?`,
      content:
        "At once they no longer see what is shared here, and are asked for nothing. What they sent stays.",
      okText: "End access",
      okButtonProps: { danger: true },
      onOk: () => end.mutateAsync(guest.accountId),
    });
  const again = useMutation({
    mutationFn: (accountId: string) =>
      done(
        api.POST("/api/files/{id}/guests/{accountId}/invitation", {
          params: { path: { id: file.id, accountId } },
        }),
      ),
    onSuccess: () => {
      message.success("A fresh link is on its way.");
      queries.invalidateQueries({ queryKey: ["files", file.id] });
    },
    onError: (error) => message.error(wordsOf(error)),
  });
  return (
    <>
      <h2>Guests of this file</h2>
      <ul className="plain-list shared-list">
        {guests.map((guest) => (
          <li key={guest.accountId}>
            <span>
              <strong>{guest.name}</strong>{" "}
              <span className="muted">
                {guest.relation} · {guest.email}
              </span>
              <div className="muted">
                <RightsWords rights={guest.rights} />
              </div>
            </span>
            <span className="shared-acts">
              {guest.closed && <span className="clay">account closed</span>}
              {guest.hasPassword && !guest.closed && <span className="juniper">has come in</span>}
              {!guest.hasPassword && !guest.closed && mayChange && (
                <Button size="small" onClick={() => again.mutate(guest.accountId)}>
                  Send the link again
                </Button>
              )}
              {mayChange && !guest.closed && (
                <Button size="small" onClick={() => setChanged(guest)}>
                  Change
                </Button>
              )}
              {mayChange && (
                <Button size="small" danger onClick={() => confirmEnd(guest)}>
                  End access
                </Button>
              )}
            </span>
          </li>
        ))}
      </ul>
      {guests.length === 0 && <p className="muted">Nobody outside sees anything of this file.</p>}
      {mayChange && (
        <p>
          <Button onClick={() => setInvites(true)}>Invite a guest</Button>
        </p>
      )}
      {changed && (
        <ChangeRights
          guest={changed.name}
          accountId={changed.accountId}
          fileId={file.id}
          relation={changed.relation}
          rights={changed.rights}
          onClose={() => setChanged(undefined)}
        />
      )}
      <Modal
        title="Invite a guest"
        open={invites}
        onCancel={() => setInvites(false)}
        footer={null}
        destroyOnHidden
      >
        <InviteForm files={[file]} okText="Invite" onInvited={() => setInvites(false)} />
      </Modal>
    </>
  );
}

function Shares({ shares }: { shares: Shape<"ShareAnswer">[] }) {
  const mayChange = useQuery(meOptions).data?.mayChange ?? false;
  const { message } = App.useApp();
  const queries = useQueryClient();
  const withdraw = useMutation({
    mutationFn: (s: Shape<"ShareAnswer">) =>
      done(
        api.DELETE("/api/documents/{id}/shares/{accountId}", {
          params: { path: { id: s.documentId, accountId: s.accountId } },
        }),
      ),
    onSettled: () => queries.invalidateQueries({ queryKey: ["files"] }),
    onError: (error) => message.error(wordsOf(error)),
  });
  return (
    <>
      <h2>Shared papers</h2>
      <ul className="plain-list shared-list">
        {shares.map((s) => (
          <li key={s.documentId + s.accountId}>
            <span>
              <strong>{s.documentName}</strong>
              <div className="muted">
                with {s.guestName}, by {s.sharedBy}, {moment(s.sharedAt)}
              </div>
            </span>
            {mayChange && (
              <Button size="small" onClick={() => withdraw.mutate(s)}>
                Stop sharing
              </Button>
            )}
          </li>
        ))}
      </ul>
      {shares.length === 0 && <p className="muted">None. Open a paper and use “Share”.</p>}
    </>
  );
}

function Asked({ fileId, asks }: { fileId: string; asks: Shape<"OpenAskAnswer">[] }) {
  const mayChange = useQuery(meOptions).data?.mayChange ?? false;
  const { message } = App.useApp();
  const queries = useQueryClient();
  const withdraw = useMutation({
    mutationFn: (askId: string) =>
      done(api.POST("/api/files/{id}/asks/{askId}/withdraw", { params: { path: { id: fileId, askId } } })),
    onSettled: () => queries.invalidateQueries({ queryKey: ["files", fileId] }),
    onError: (error) => message.error(wordsOf(error)),
  });
  return (
    <>
      <h2>Asked for</h2>
      <ul className="plain-list shared-list">
        {asks.map((a) => (
          <li key={a.id}>
            <span>
              <strong>{a.label}</strong> <span className="muted">{a.why}</span>
              {a.words && <div>{a.words}</div>}
              <div className="muted">
                {a.guestName ? `from ${a.guestName}` : "from nobody in particular; no guest sees it"}, asked
                by {a.askedBy}, {moment(a.askedAt)}
              </div>
            </span>
            {mayChange && (
              <Button size="small" onClick={() => withdraw.mutate(a.id)}>
                Withdraw
              </Button>
            )}
          </li>
        ))}
      </ul>
      {asks.length === 0 && <p className="muted">Nothing that is still missing.</p>}
    </>
  );
}

import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { App, Button, Drawer, Input, Modal, Popconfirm } from "antd";
import { useState } from "react";
import { Link } from "react-router";
import { answer, api, done, fieldWords, type Shape, wordsOf } from "../../api/client";
import { moment } from "../../ui/days";
import { Loaded } from "../../ui/Quiet";
import { Where } from "../../ui/Where";
import { meOptions } from "../access/sessionQueries";
import { type Rights, RightsForm, RightsWords } from "./RightsForm";
import "./shared.css";

type Guest = Shape<"GuestOverview">;
type File = Shape<"FileOfGuest">;

export const guestsOptions = {
  queryKey: ["guests"],
  queryFn: () => answer(api.GET("/api/guests")),
};

/** All guests and what each may, file by file. */
export function GuestsPage() {
  const guests = useQuery(guestsOptions);
  const [text, setText] = useState("");
  const wanted = text.trim().toLowerCase();
  return (
    <div className="guests-page">
      <Where>
        <strong>Guests</strong>
      </Where>
      <div className="checklist-head">
        <h1>Guests</h1>
        <Input
          allowClear
          aria-label="Find a guest"
          placeholder="name, address or person"
          style={{ maxWidth: 260 }}
          value={text}
          onChange={(e) => setText(e.target.value)}
        />
      </div>
      <p className="muted">Who outside sees something. They are invited from a file, under Shared.</p>
      <Loaded query={guests}>
        {(all) => {
          const shown = all.filter((g) =>
            [g.name, g.email, ...g.files.map((f) => f.name)].some((w) => w.toLowerCase().includes(wanted)),
          );
          return shown.length === 0 ? (
            <p className="muted">{all.length === 0 ? "There are no guests." : "Nobody is found by that."}</p>
          ) : (
            <ul className="plain-list guests">
              {shown.map((guest) => (
                <GuestLine key={guest.accountId} guest={guest} />
              ))}
            </ul>
          );
        }}
      </Loaded>
    </div>
  );
}

function GuestLine({ guest }: { guest: Guest }) {
  const [did, setDid] = useState(false);
  return (
    <li>
      <div className="guest-head">
        <strong>{guest.name}</strong> <span className="muted">{guest.email}</span>
        <span className="muted">
          {guest.closed
            ? "account closed"
            : guest.lastVisit
              ? `last here ${moment(guest.lastVisit)}`
              : guest.hasPassword
                ? "has a password"
                : "invited, not come in yet"}
        </span>
        <span className="grow" />
        <Link to={`/guests/${guest.accountId}`}>As they see it</Link>
        <Button size="small" onClick={() => setDid(true)}>
          What they did
        </Button>
      </div>
      {guest.files.map((file) => (
        <GuestFile key={file.fileId} guest={guest} file={file} />
      ))}
      {did && <Did guest={guest} onClose={() => setDid(false)} />}
    </li>
  );
}

function GuestFile({ guest, file }: { guest: Guest; file: File }) {
  const mayChange = useQuery(meOptions).data?.mayChange ?? false;
  const [changes, setChanges] = useState(false);
  const { message } = App.useApp();
  const queries = useQueryClient();
  const params = { path: { id: file.fileId, accountId: guest.accountId } };
  const end = useMutation({
    mutationFn: () => done(api.DELETE("/api/files/{id}/guests/{accountId}", { params })),
    onSettled: () => queries.invalidateQueries({ queryKey: guestsOptions.queryKey }),
    onError: (error) => message.error(wordsOf(error)),
  });
  return (
    <div className={file.ended ? "guest-file muted" : "guest-file"}>
      <span>
        <Link to={`/files/${file.fileId}`}>{file.name}</Link>{" "}
        <span className="muted">
          {file.number} · {file.relation}
        </span>
      </span>
      <span>
        {file.ended && "ended · "}
        <RightsWords rights={file.rights} />
      </span>
      {mayChange && (
        <span className="shared-acts">
          <Button size="small" onClick={() => setChanges(true)}>
            Change
          </Button>
          <Popconfirm
            title={`End ${guest.name}’s access to the file of ${file.name}?`}
            description="At once they see nothing of it any more. What they sent stays."
            okText="End access"
            okButtonProps={{ danger: true }}
            onConfirm={() => end.mutate()}
          >
            <Button size="small" danger>
              End…
            </Button>
          </Popconfirm>
        </span>
      )}
      {changes && (
        <ChangeRights
          guest={guest.name}
          accountId={guest.accountId}
          fileId={file.fileId}
          relation={file.relation}
          rights={file.rights}
          onClose={() => setChanges(false)}
        />
      )}
    </div>
  );
}

/** What a guest may in a file from now on. */
export function ChangeRights({
  guest,
  accountId,
  fileId,
  relation,
  rights: kept,
  onClose,
}: {
  guest: string;
  accountId: string;
  fileId: string;
  relation: string;
  rights: Rights;
  onClose: () => void;
}) {
  const [rights, setRights] = useState(kept);
  const { message } = App.useApp();
  const queries = useQueryClient();
  const save = useMutation({
    mutationFn: () =>
      done(
        api.PUT("/api/files/{id}/guests/{accountId}", {
          params: { path: { id: fileId, accountId } },
          body: { relation, rights: { ...rights, until: rights.until ?? undefined } },
        }),
      ),
    onSuccess: async () => {
      message.success("Saved. It holds at once.");
      await queries.invalidateQueries({ queryKey: guestsOptions.queryKey });
      await queries.invalidateQueries({ queryKey: ["files", fileId] });
      onClose();
    },
    onError: (error) => !fieldWords(error, "until") && message.error(wordsOf(error)),
  });
  return (
    <Modal
      title={`What ${guest} may`}
      open
      okText="Save"
      okButtonProps={{ loading: save.isPending }}
      onOk={() => save.mutate()}
      onCancel={onClose}
    >
      <RightsForm value={rights} onChange={setRights} untilProblem={fieldWords(save.error, "until")} />
    </Modal>
  );
}

function Did({ guest, onClose }: { guest: Guest; onClose: () => void }) {
  const acts = useQuery({
    queryKey: ["guests", guest.accountId, "trail"],
    queryFn: () =>
      answer(api.GET("/api/guests/{accountId}/trail", { params: { path: { accountId: guest.accountId } } })),
  });
  return (
    <Drawer title={`What ${guest.name} did`} size={480} open onClose={onClose}>
      <Loaded query={acts}>
        {(all) =>
          all.length === 0 ? (
            <p className="muted">Nothing yet.</p>
          ) : (
            <ul className="plain-list guest-acts">
              {all.map((line) => (
                <li key={line.seq}>
                  <span className="muted tabular">{moment(line.at)}</span> {line.sentence}
                </li>
              ))}
            </ul>
          )
        }
      </Loaded>
    </Drawer>
  );
}

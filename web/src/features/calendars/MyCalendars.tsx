import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Alert, Button, Modal, Select } from "antd";
import { useState } from "react";
import { answer, api, done, wordsOf } from "../../api/client";
import { moment } from "../../ui/days";
import { Loaded } from "../../ui/Quiet";
import { teamsOptions } from "../coverage/boardQueries";
import { calendarsOptions } from "./calendarQueries";
import { NewAddress } from "./offile/NewAddress";
import "./offile/calendars.css";

/** Private addresses at which one's calendar program reads when papers run out and are due. */
export function MyCalendars({ open, onClose }: { open: boolean; onClose: () => void }) {
  return (
    <Modal
      title="Calendar addresses"
      open={open}
      onCancel={onClose}
      footer={null}
      width={620}
      destroyOnHidden
    >
      {open && <Addresses />}
    </Modal>
  );
}

const EVERYBODY = "";

function Addresses() {
  const queries = useQueryClient();
  const calendars = useQuery(calendarsOptions);
  const teams = useQuery(teamsOptions).data ?? [];
  const [team, setTeam] = useState(EVERYBODY);
  const renew = () => queries.invalidateQueries({ queryKey: ["calendars"] });
  const make = useMutation({
    mutationFn: () =>
      answer(
        api.POST("/api/calendars", {
          body: team === EVERYBODY ? { reach: "MINE" } : { reach: "TEAM", team },
        }),
      ),
    onSuccess: renew,
  });
  const end = useMutation({
    mutationFn: (id: string) => done(api.DELETE("/api/calendars/{id}", { params: { path: { id } } })),
    onSuccess: renew,
  });
  return (
    <>
      <p className="muted">
        A calendar program that knows such an address shows the days on which papers run out and are due.
        Whoever has the address can read it: keep it to yourself, and end it when it is no longer needed.
      </p>
      <Loaded query={calendars}>
        {(all) => (
          <ul className="plain-list calendar-list">
            {all.length === 0 && <li className="muted">None yet.</li>}
            {all.map((c) => (
              <li key={c.id}>
                <span>
                  <strong>{c.name}</strong>{" "}
                  <span className="muted">
                    since {moment(c.at)} · {c.readAt ? `last read ${moment(c.readAt)}` : "not read yet"}
                  </span>
                </span>
                <Button size="small" aria-label={`End ${c.name}`} onClick={() => end.mutate(c.id)}>
                  End
                </Button>
              </li>
            ))}
          </ul>
        )}
      </Loaded>
      <div className="buttons">
        <Select
          aria-label="Whose papers"
          className="calendar-whose"
          value={team}
          onChange={setTeam}
          options={[
            { value: EVERYBODY, label: "All my people" },
            ...teams.map((name) => ({ value: name, label: name })),
          ]}
        />
        <Button type="primary" loading={make.isPending} onClick={() => make.mutate()}>
          Make an address
        </Button>
      </div>
      {make.data && <NewAddress address={make.data.address} />}
      {(make.error ?? end.error) && <Alert type="error" title={wordsOf(make.error ?? end.error)} />}
    </>
  );
}

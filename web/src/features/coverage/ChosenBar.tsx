import { App, Button, Modal } from "antd";
import { useState } from "react";
import { useMayChange } from "../asof/asOf";
import { ChaseManyModal } from "../chasing/ChaseManyModal";
import { NewLetterModal } from "../letters/NewLetterModal";
import { InviteForm } from "../portal/InviteForm";
import { AskManyModal } from "../signing/asking/AskManyModal";
import type { BoardRow } from "./boardQueries";
import "./board.css";

/** What can be done with several people at once. */
export function ChosenBar({ chosen, onClear }: { chosen: Map<string, BoardRow>; onClear: () => void }) {
  const [chases, setChases] = useState(false);
  const [invites, setInvites] = useState(false);
  const [asks, setAsks] = useState(false);
  const [writes, setWrites] = useState(false);
  const { message } = App.useApp();
  const mayChange = useMayChange();
  const people = [...chosen.values()];
  const open = people.reduce((sum, row) => sum + row.openSlots, 0);
  const hidden = people.reduce((sum, row) => sum + row.hiddenOpen, 0);
  const count = people.length === 1 ? "1 person" : `${people.length} people`;
  return (
    <section className="chosen-bar" aria-label="Chosen people">
      <strong>{count} chosen</strong>
      <span>
        {open} open {open === 1 ? "slot" : "slots"} between them
        {hidden > 0 && `, ${hidden} more you cannot see`}
      </span>
      <span className="grow" />
      <Button onClick={onClear}>Clear choice</Button>
      {mayChange && <Button onClick={() => setInvites(true)}>Invite a guest…</Button>}
      {mayChange && <Button onClick={() => setAsks(true)}>Ask to sign…</Button>}
      {mayChange && <Button onClick={() => setWrites(true)}>Write letters…</Button>}
      {mayChange && (
        <Button className="chase-many" onClick={() => setChases(true)}>
          Chase {count}…
        </Button>
      )}
      <Modal
        title={`Invite a guest for ${count}`}
        open={invites}
        onCancel={() => setInvites(false)}
        footer={null}
        destroyOnHidden
      >
        <InviteForm
          files={people}
          okText="Invite"
          onInvited={(_, name) => {
            setInvites(false);
            message.success(
              `${name} is a guest of ${people.length === 1 ? "this file" : "these files"} now.`,
            );
          }}
        />
      </Modal>
      {writes && <NewLetterModal people={people} onClose={() => setWrites(false)} />}
      {asks && <AskManyModal people={people} onClose={() => setAsks(false)} />}
      <ChaseManyModal people={people} open={chases} onClose={() => setChases(false)} />
    </section>
  );
}

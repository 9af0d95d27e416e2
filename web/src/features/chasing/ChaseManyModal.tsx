import { useQuery, useQueryClient } from "@tanstack/react-query";
import { Button, Collapse, Modal } from "antd";
import { useState } from "react";
import { api, done, wordsOf } from "../../api/client";
import { Loaded } from "../../ui/Quiet";
import { chaseOptions } from "./noticeQueries";

type Person = { id: string; name: string; number: string };
type Outcome = { good: boolean; words: string };

/** Chases several people: one mail each, looked at before, with what became of each. */
export function ChaseManyModal({
  people,
  open,
  onClose,
}: {
  people: Person[];
  open: boolean;
  onClose: () => void;
}) {
  return (
    <Modal
      title={`Chase ${people.length === 1 ? people[0]?.name : `${people.length} people`}`}
      open={open}
      onCancel={onClose}
      footer={null}
      width={680}
      destroyOnHidden
    >
      {open && <Chases people={people} onClose={onClose} />}
    </Modal>
  );
}

function Chases({ people, onClose }: { people: Person[]; onClose: () => void }) {
  const [outcomes, setOutcomes] = useState<Record<string, Outcome>>({});
  const [sending, setSending] = useState(false);
  const queries = useQueryClient();
  const isDone = Object.keys(outcomes).length === people.length;
  const send = async () => {
    setSending(true);
    for (const person of people) {
      const params = { path: { id: person.id } };
      const outcome = await done(api.POST("/api/files/{id}/chase", { params, body: { again: false } })).then(
        () => ({ good: true, words: "on its way" }),
        (error) => ({ good: false, words: wordsOf(error) }),
      );
      setOutcomes((before) => ({ ...before, [person.id]: outcome }));
    }
    setSending(false);
    queries.invalidateQueries({ queryKey: ["notices"] });
  };
  return (
    <>
      <p className="muted">Each gets one mail about all that is missing or about to lapse in the file.</p>
      <div className="chase-people">
        <Collapse
          size="small"
          items={people.map((person) => ({
            key: person.id,
            label: (
              <span>
                <strong>{person.name}</strong> <span className="muted">{person.number}</span>
              </span>
            ),
            extra: <OutcomeWords outcome={outcomes[person.id]} />,
            children: <Preview id={person.id} />,
          }))}
        />
      </div>
      <div className="chase-buttons">
        <Button onClick={onClose}>{isDone ? "Close" : "Not now"}</Button>
        {!isDone && (
          <Button type="primary" loading={sending} onClick={send}>
            Send {people.length === 1 ? "the mail" : `${people.length} mails`}
          </Button>
        )}
      </div>
    </>
  );
}

function OutcomeWords({ outcome }: { outcome?: Outcome }) {
  return outcome ? <span className={outcome.good ? "juniper" : "clay"}>{outcome.words}</span> : null;
}

function Preview({ id }: { id: string }) {
  const preview = useQuery(chaseOptions(id));
  return (
    <Loaded query={preview}>
      {(data) =>
        data.wanted.length === 0 ? (
          <p>Nothing is missing or about to lapse; no mail will be sent.</p>
        ) : (
          <>
            <p>
              To <strong>{data.recipient ?? "nobody yet; open the file to choose"}</strong> · {data.subject}
              {data.chasedToday && (
                <span className="ochre"> · chased today already ({data.chasedToday})</span>
              )}
            </p>
            <pre className="mail-text">{data.body}</pre>
          </>
        )
      }
    </Loaded>
  );
}

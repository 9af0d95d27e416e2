import { useQuery } from "@tanstack/react-query";
import { Button, Modal } from "antd";
import { Link } from "react-router";
import type { Shape } from "../../api/client";
import { day } from "../../ui/days";
import { Loaded } from "../../ui/Quiet";

type Effect = Shape<"EffectAnswer">;

type EffectModalProps = {
  open: boolean;
  what: string;
  ask: () => Promise<Effect>;
  isSaving: boolean;
  onSave: () => void;
  onClose: () => void;
};

/** What a change would do to the files there are, before it is saved. */
export function EffectModal({ open, what, ask, isSaving, onSave, onClose }: EffectModalProps) {
  return (
    <Modal
      title={`What this changes: ${what}`}
      open={open}
      onCancel={onClose}
      footer={null}
      width={720}
      destroyOnHidden
    >
      {open && <Asked ask={ask} isSaving={isSaving} onSave={onSave} onClose={onClose} />}
    </Modal>
  );
}

function Asked({ ask, isSaving, onSave, onClose }: Omit<EffectModalProps, "open" | "what">) {
  const effect = useQuery({ queryKey: ["effect"], queryFn: ask, gcTime: 0, staleTime: 0, retry: false });
  return (
    <Loaded query={effect}>
      {(data) => (
        <>
          <Words effect={data} />
          <People
            title={`${data.noLongerClearCount} would no longer be clear`}
            people={data.noLongerClear}
            tone="clay"
          />
          <People
            title={`${data.becomeClearCount} would become clear`}
            people={data.becomeClear}
            tone="juniper"
          />
          <div className="effect-buttons">
            <Button onClick={onClose}>Go on editing</Button>
            <Button type="primary" loading={isSaving} onClick={onSave}>
              Save
            </Button>
          </div>
        </>
      )}
    </Loaded>
  );
}

function Words({ effect }: { effect: Effect }) {
  return (
    <p>
      Told for <strong>{day(effect.on)}</strong>:{" "}
      {effect.touched === 0
        ? `no slot changes in any of ${effect.files} files.`
        : `slots change in ${effect.touched} of ${effect.files} files.`}
    </p>
  );
}

function People({ title, people, tone }: { title: string; people: Shape<"AffectedFile">[]; tone: string }) {
  if (people.length === 0) {
    return <h3 className="muted">{title}</h3>;
  }
  return (
    <>
      <h3 className={tone}>{title}</h3>
      <ul className="plain-list effect-people">
        {people.map((person) => (
          <li key={person.id}>
            <Link to={`/files/${person.id}`} target="_blank">
              {person.name}
            </Link>
            <span className="muted tabular">{person.number}</span>
            <span>{person.slots.join("; ")}</span>
          </li>
        ))}
      </ul>
    </>
  );
}

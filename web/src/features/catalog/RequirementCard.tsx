import { DeleteOutlined, HolderOutlined } from "@ant-design/icons";
import { Button, Checkbox, Input, InputNumber, Select } from "antd";
import type { DragEvent } from "react";
import { ConditionEditor, type KnownFacts } from "./ConditionEditor";
import { EvidenceEditor } from "./EvidenceEditor";
import type { Due, Requirement } from "./rules";

type RequirementCardProps = {
  requirement: Requirement;
  label: string;
  known: KnownFacts;
  types: { value: string; label: string }[];
  roles: string[];
  problem?: string | undefined;
  onChange: (requirement: Requirement) => void;
  onLabel: (label: string) => void;
  onRemove: () => void;
  onMove: (by: number) => void;
  drag: { onDragStart: () => void; onDragOver: (e: DragEvent) => void; onDrop: () => void };
};

/** One requirement as sentences. */
export function RequirementCard(props: RequirementCardProps) {
  const { requirement, label, known, types, roles, problem, onChange, onLabel, onRemove, onMove, drag } =
    props;
  const set = (changes: Partial<Requirement>) => onChange(trimmed({ ...requirement, ...changes }));
  return (
    <li
      className={problem ? "requirement wrong" : "requirement"}
      onDragOver={drag.onDragOver}
      onDrop={drag.onDrop}
    >
      <header>
        <button
          type="button"
          className="requirement-grip"
          draggable
          aria-label={`Move ${label || "this requirement"}: drag, or arrow up and down`}
          onDragStart={drag.onDragStart}
          onKeyDown={(e) => {
            if (e.key === "ArrowUp" || e.key === "ArrowDown") {
              e.preventDefault();
              onMove(e.key === "ArrowUp" ? -1 : 1);
            }
          }}
        >
          <HolderOutlined aria-hidden />
        </button>
        <Input
          aria-label="Name of the requirement"
          placeholder="What it is called"
          variant="borderless"
          className="requirement-name"
          value={label}
          onChange={(e) => onLabel(e.target.value)}
        />
        <Select
          size="small"
          aria-label="Level"
          value={requirement.level ?? "blocking"}
          popupMatchSelectWidth={false}
          onChange={(level) => set({ level })}
          options={[
            { value: "blocking", label: "needed to be clear" },
            { value: "advisory", label: "advisory" },
          ]}
        />
        <Button
          type="text"
          size="small"
          icon={<DeleteOutlined />}
          aria-label={`Remove ${label || "this requirement"}`}
          onClick={onRemove}
        />
      </header>
      <div className="requirement-line">
        <span className="lead-word">asked</span>
        <ConditionEditor
          condition={requirement.appliesWhen}
          known={known}
          none="of everyone above"
          onChange={(appliesWhen) => set({ appliesWhen })}
        />
      </div>
      <div className="requirement-line">
        <span className="lead-word">needs</span>
        <EvidenceEditor
          evidence={requirement.evidence}
          types={types}
          onChange={(evidence) => onChange({ ...requirement, evidence })}
        />
      </div>
      <div className="requirement-line">
        <span className="lead-word">due</span>
        <span className="sentence">
          <DueEditor due={requirement.due ?? null} known={known} onChange={(due) => set({ due })} />
          <span>· warn</span>
          <Days
            words="Days of warning"
            value={requirement.leadDays ?? 0}
            onChange={(leadDays) => set({ leadDays })}
          />
          <span>days ahead · grace</span>
          <Days
            words="Days of grace"
            value={requirement.graceDays ?? 0}
            onChange={(graceDays) => set({ graceDays })}
          />
          <span>days</span>
        </span>
      </div>
      <div className="requirement-line">
        <span className="lead-word">and</span>
        <span className="sentence">
          <Checkbox
            checked={requirement.needsReview ?? false}
            onChange={(e) => set({ needsReview: e.target.checked })}
          >
            accepted by a reviewer
          </Checkbox>
          <span>signed by</span>
          <Select
            size="small"
            mode="tags"
            aria-label="Signed by"
            className="sentence-values"
            placeholder="nobody"
            popupMatchSelectWidth={false}
            value={requirement.signedBy ?? []}
            onChange={(signedBy: string[]) => set({ signedBy })}
            options={roles.map((role) => ({ value: role, label: role }))}
          />
        </span>
      </div>
      {problem && <p className="clay requirement-problem">{problem}</p>}
    </li>
  );
}

/** Leaves out what equals the default of the open JSON. */
function trimmed(requirement: Requirement): Requirement {
  const next = { ...requirement };
  if (!next.appliesWhen) {
    delete next.appliesWhen;
  }
  if (!next.due) {
    delete next.due;
  }
  if (!next.signedBy?.length) {
    delete next.signedBy;
  }
  return next;
}

function Days({
  words,
  value,
  onChange,
}: {
  words: string;
  value: number;
  onChange: (days: number) => void;
}) {
  return (
    <InputNumber
      size="small"
      aria-label={words}
      min={0}
      max={9999}
      value={value}
      onChange={(days) => onChange(days ?? 0)}
      style={{ width: 64 }}
    />
  );
}

function DueEditor({
  due,
  known,
  onChange,
}: {
  due: Due | null;
  known: KnownFacts;
  onChange: (due: Due | null) => void;
}) {
  const dates = known.facts.filter((f) => f.form === "DATE");
  const value = !due ? "once" : due.from === "fact" ? `fact ${due.name}` : due.from;
  const turn = (next: string) => {
    const days = due?.days ?? 14;
    if (next === "once") {
      onChange(null);
    } else if (next === "start" || next === "applies") {
      onChange({ from: next, days });
    } else {
      onChange({ from: "fact", name: next.slice(5), days });
    }
  };
  return (
    <>
      {due && (
        <>
          <InputNumber
            size="small"
            aria-label="Days until due"
            value={due.days}
            onChange={(days) => onChange({ ...due, days: days ?? 0 })}
            style={{ width: 68 }}
          />
          <span>days after</span>
        </>
      )}
      <Select
        size="small"
        aria-label="Due"
        value={value}
        popupMatchSelectWidth={false}
        onChange={turn}
        options={[
          { value: "once", label: "at once" },
          { value: "start", label: "the person's start" },
          { value: "applies", label: "it is first asked" },
          ...dates.map((f) => ({ value: `fact ${f.name}`, label: f.label.toLowerCase() })),
        ]}
      />
    </>
  );
}

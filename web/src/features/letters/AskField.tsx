import { Button, Input } from "antd";
import type { Shape } from "../../api/client";
import { DayField } from "../../ui/DayField";
import { day } from "../../ui/days";

type AskFieldProps = {
  ask: Pick<Shape<"AskAnswer">, "name" | "label" | "kind"> & {
    mustBeKnown?: boolean;
    problem?: string | null;
  };
  /** Said in an empty field. */
  placeholder?: string;
  value: string;
  mayChange: boolean;
  onChange: (value: string) => void;
  /** Undefined where the file cannot keep the answer, or there is none yet. */
  onKeep?: (() => void) | undefined;
};

/** Something a letter says that only its writer knows. */
export function AskField({ ask, value, mayChange, onChange, onKeep, placeholder }: AskFieldProps) {
  const id = `ask-${ask.name}`;
  return (
    <div className="letter-ask">
      <label htmlFor={id}>
        {ask.label}
        {ask.mustBeKnown && <span className="clay"> needed</span>}
      </label>
      {ask.kind === "DAY" && !mayChange ? (
        <div>{value ? day(value) : "not answered"}</div>
      ) : ask.kind === "DAY" ? (
        <DayField
          id={id}
          value={value || null}
          placeholder={placeholder ?? "day"}
          onChange={(chosen) => onChange(chosen ?? "")}
        />
      ) : (
        <Input
          id={id}
          disabled={!mayChange}
          inputMode={ask.kind === "NUMBER" ? "decimal" : undefined}
          placeholder={placeholder}
          maxLength={2000}
          status={ask.problem ? "error" : ""}
          value={value}
          onChange={(e) => onChange(e.target.value)}
        />
      )}
      {onKeep && (
        <Button size="small" type="link" aria-label={`Save ${ask.label} in the file too`} onClick={onKeep}>
          Save it in the file too
        </Button>
      )}
      {ask.problem && <span className="clay">{ask.problem}</span>}
    </div>
  );
}

import { useMutation, useQueryClient } from "@tanstack/react-query";
import { Alert, Button, Checkbox, Input, InputNumber, Modal } from "antd";
import { useState } from "react";
import { api, done, type Shape, wordsOf } from "../../../api/client";
import { DayField } from "../../../ui/DayField";

const DAYS = [
  { value: "MONDAY", label: "Mon" },
  { value: "TUESDAY", label: "Tue" },
  { value: "WEDNESDAY", label: "Wed" },
  { value: "THURSDAY", label: "Thu" },
  { value: "FRIDAY", label: "Fri" },
  { value: "SATURDAY", label: "Sat" },
  { value: "SUNDAY", label: "Sun" },
];

type SendingModalProps = { answer: Shape<"SendingAnswer">; onClose: () => void };

/** On which days and at which hours mails of plans go out. */
export function SendingModal({ answer, onClose }: SendingModalProps) {
  const queries = useQueryClient();
  const [rules, setRules] = useState(answer.rules);
  const put = (change: Partial<Shape<"SendingDetails">>) => setRules({ ...rules, ...change });
  const save = useMutation({
    mutationFn: () => done(api.PUT("/api/sending-rules", { body: { changes: answer.changes, rules } })),
    onSuccess: () => {
      queries.invalidateQueries({ queryKey: ["chasing"] });
      onClose();
    },
  });
  return (
    <Modal
      open
      title="When mails of plans go out"
      width={600}
      okText="Save"
      confirmLoading={save.isPending}
      onOk={() => save.mutate()}
      onCancel={onClose}
    >
      <div className="words-form">
        <span id="quiet-days">None on</span>
        <Checkbox.Group
          aria-labelledby="quiet-days"
          value={rules.quietDays}
          onChange={(days) => put({ quietDays: days as Shape<"SendingDetails">["quietDays"] })}
          options={DAYS}
        />
        <span>Hours</span>
        <div className="buttons sending-hours">
          <Input
            type="time"
            aria-label="From"
            value={rules.opens.slice(0, 5)}
            onChange={(e) => put({ opens: `${e.target.value}:00` })}
          />
          to
          <Input
            type="time"
            aria-label="To"
            value={rules.closes.slice(0, 5)}
            onChange={(e) => put({ closes: `${e.target.value}:00` })}
          />
        </div>
        <label htmlFor="most-a-month">Most a month</label>
        <div className="buttons">
          <InputNumber
            id="most-a-month"
            min={0}
            max={31}
            value={rules.mostAMonth}
            onChange={(most) => put({ mostAMonth: most ?? 0 })}
          />
          <span className="muted">mails for one address; 0 for any number</span>
        </div>
        <span>Holidays</span>
        <Holidays holidays={rules.holidays} onChange={(holidays) => put({ holidays })} />
      </div>
      {save.error && <Alert type="error" title={wordsOf(save.error)} />}
    </Modal>
  );
}

type HolidaysProps = { holidays: Shape<"Holiday">[]; onChange: (to: Shape<"Holiday">[]) => void };

function Holidays({ holidays, onChange }: HolidaysProps) {
  const put = (at: number, change: Partial<Shape<"Holiday">>) =>
    onChange(holidays.map((h, i) => (i === at ? { ...h, ...change } : h)));
  return (
    <div className="holidays">
      {holidays.map((holiday, at) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: a day may stand twice while it is typed
        <div key={at} className="holiday">
          <DayField
            label={`Holiday ${at + 1}`}
            value={holiday.day}
            onChange={(day) => day && put(at, { day })}
          />
          <Input
            aria-label={`Name of holiday ${at + 1}`}
            placeholder="name"
            value={holiday.name}
            onChange={(e) => put(at, { name: e.target.value })}
          />
          <Button onClick={() => onChange(holidays.filter((_, i) => i !== at))}>Remove</Button>
        </div>
      ))}
      <DayField
        label="One more holiday"
        value={null}
        onChange={(day) => day && onChange([...holidays, { day, name: "" }])}
      />
    </div>
  );
}

import { Input, InputNumber, Select } from "antd";
import { partsOf } from "./rules";

/** A calendar period as a number and a unit; one of several units is shown as it is written. */
export function PeriodField({ value, onChange }: { value: string; onChange: (period: string) => void }) {
  const parts = partsOf(value);
  if (!parts) {
    return (
      <Input
        size="small"
        aria-label="Period"
        value={value}
        style={{ width: 90 }}
        onChange={(e) => onChange(e.target.value)}
      />
    );
  }
  return (
    <span className="sentence">
      <InputNumber
        size="small"
        aria-label="Length"
        min={0}
        max={999}
        value={parts.count}
        onChange={(count) => onChange(`P${count ?? 0}${parts.unit}`)}
        style={{ width: 64 }}
      />
      <Select
        size="small"
        aria-label="Unit"
        value={parts.unit}
        popupMatchSelectWidth={false}
        onChange={(unit) => onChange(`P${parts.count}${unit}`)}
        options={[
          { value: "Y", label: "years" },
          { value: "M", label: "months" },
          { value: "W", label: "weeks" },
          { value: "D", label: "days" },
        ]}
      />
    </span>
  );
}

import { Button, Input, Select } from "antd";
import type { TypeSetUp } from "./setUpQueries";

type TypeField = TypeSetUp["fields"][number];

const WAYS: { value: TypeField["found"]; label: string; sign: string; example: string }[] = [
  { value: "BY_HAND", label: "typed by hand", sign: "", example: "" },
  { value: "AFTER_WORDS", label: "stands after the words", sign: "Words before it", example: "Policy no." },
  { value: "BY_SHAPE", label: "has the shape", sign: "Shape of it", example: "FH-\\d{4}" },
  { value: "IN_CODE", label: "stands in a code on the paper", sign: "Shape in the code", example: "any" },
  {
    value: "IN_FORM",
    label: "is filled into the form field",
    sign: "Name in the form",
    example: "policyNumber",
  },
];

type FieldsEditorProps = { fields: TypeField[]; onChange: (fields: TypeField[]) => void };

/** The fields that papers of a type carry, and by what their values are found on them. */
export function FieldsEditor({ fields, onChange }: FieldsEditorProps) {
  const change = (at: number, part: Partial<TypeField>) =>
    onChange(fields.map((f, i) => (i === at ? { ...f, ...part } : f)));
  return (
    <div className="type-fields">
      {fields.map((field, i) => {
        const way = WAYS.find((w) => w.value === field.found);
        return (
          // biome-ignore lint/suspicious/noArrayIndexKey: a field has no name before one is typed
          <div key={i} className="type-field">
            <Input
              size="small"
              aria-label={`Name of field ${i + 1}`}
              placeholder="Name of the field"
              maxLength={40}
              value={field.name}
              onChange={(e) => change(i, { name: e.target.value })}
            />
            <Select
              size="small"
              aria-label={`How ${field.name || `field ${i + 1}`} is found`}
              value={field.found}
              popupMatchSelectWidth={false}
              onChange={(found) => change(i, { found })}
              options={WAYS.map(({ value, label }) => ({ value, label }))}
            />
            {way?.sign ? (
              <Input
                size="small"
                aria-label={`${way.sign}, ${field.name || `field ${i + 1}`}`}
                placeholder={way.example}
                maxLength={200}
                value={field.sign}
                onChange={(e) => change(i, { sign: e.target.value })}
              />
            ) : (
              <span />
            )}
            <Button
              type="text"
              size="small"
              aria-label={`Remove ${field.name || `field ${i + 1}`}`}
              onClick={() => onChange(fields.filter((_, at) => at !== i))}
            >
              Remove
            </Button>
          </div>
        );
      })}
      <Button
        size="small"
        onClick={() => onChange([...fields, { name: "", found: "AFTER_WORDS", sign: "" }])}
      >
        Add a field
      </Button>
    </div>
  );
}

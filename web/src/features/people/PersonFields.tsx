import { AutoComplete, Form, Input, Select } from "antd";
import type { Shape } from "../../api/client";
import { DayField } from "../../ui/DayField";
import { PersonNumberField } from "./PersonNumberField";
import { SpansField } from "./SpansField";

/** The fields of a file: who or what it is about, then the facts of its kind. Form names follow the API. */
export function PersonFields({
  facts,
  subject,
  errors,
  withSpans = false,
}: {
  /** Of what the file is; the practice and its places have one name and no birth date. */
  subject: Shape<"KindAnswer">["subject"];
  facts: Shape<"FactDefinition">[];
  /** Whether leaving and coming back can be said, as of a person who has a file. */
  withSpans?: boolean;
  errors: (field: string) => string | undefined;
}) {
  const shown = (field: string) => {
    const words = errors(field);
    return words ? { validateStatus: "error" as const, help: words } : {};
  };
  // an even number of fields stands above it only where there is no first day
  const wide = withSpans === (subject === "PERSON") ? "wide" : undefined;
  return (
    <>
      <div className="form-grid">
        {subject === "PERSON" && (
          <Form.Item label="Given name" name="givenName" {...shown("givenName")}>
            <Input maxLength={80} />
          </Form.Item>
        )}
        <Form.Item
          label={subject === "PERSON" ? "Family name" : "Name"}
          className={subject === "PERSON" ? undefined : "wide"}
          name="familyName"
          rules={[
            {
              required: true,
              whitespace: true,
              message: subject === "PERSON" ? "A family name is needed." : "A name is needed.",
            },
          ]}
          {...shown("familyName")}
        >
          <Input maxLength={80} />
        </Form.Item>
        {subject === "PERSON" && (
          <Form.Item label="Birth date" name="birthDate" {...shown("birthDate")}>
            <DayField />
          </Form.Item>
        )}
        {!withSpans && (
          <Form.Item label="Starts" name="activeFrom" {...shown("activeFrom")}>
            <DayField placeholder="today" />
          </Form.Item>
        )}
        <Form.Item label="Team" name="team" {...shown("team")}>
          <Input maxLength={60} />
        </Form.Item>
        <Form.Item label="Mail address" name="email" className={wide} {...shown("email")}>
          <Input />
        </Form.Item>
        <Form.Item
          label={subject === "PERSON" ? "Former names" : "Earlier names"}
          name="formerNames"
          className="wide"
          {...shown("formerNames")}
        >
          <Select mode="tags" open={false} suffixIcon={null} placeholder="none; papers may still bear them" />
        </Form.Item>
        <Form.Item label="Other numbers" name="identifiers" className="wide" {...shown("identifiers")}>
          <Select
            mode="tags"
            open={false}
            suffixIcon={null}
            placeholder={
              subject === "PERSON" ? "such as an insurance number" : "such as a policy or register number"
            }
          />
        </Form.Item>
      </div>
      {withSpans && <SpansField subject={subject} errors={errors} />}
      <div className="form-grid">
        {facts.map((fact) => (
          <Form.Item
            key={fact.name}
            label={fact.label}
            name={["facts", fact.name]}
            {...shown(`facts.${fact.name}`)}
          >
            {factField(fact)}
          </Form.Item>
        ))}
      </div>
    </>
  );
}

function factField(fact: Shape<"FactDefinition">) {
  switch (fact.form) {
    case "CHOICE":
      return <Select allowClear showSearch options={fact.choices.map((c) => ({ value: c, label: c }))} />;
    case "OPEN_CHOICE":
      return <OpenChoice choices={fact.choices} />;
    case "YES_NO":
      return (
        <Select
          allowClear
          options={[
            { value: "yes", label: "yes" },
            { value: "no", label: "no" },
          ]}
        />
      );
    case "DATE":
      return <DayField />;
    case "PERSON":
      return <PersonNumberField />;
    default:
      return <Input />;
  }
}

/** One of the choices, or a new one, which then is a choice of all. */
function OpenChoice({
  choices,
  value,
  ...field
}: {
  choices: string[];
  id?: string;
  value?: string;
  onChange?: (value: string) => void;
}) {
  const isNew = value?.trim() && !choices.some((c) => c.toLowerCase() === value.trim().toLowerCase());
  return (
    <>
      <AutoComplete
        {...field}
        allowClear
        maxLength={60}
        value={value}
        options={choices.map((c) => ({ value: c }))}
        showSearch={{
          filterOption: (typed, option) => option?.value.toLowerCase().includes(typed.toLowerCase()) ?? false,
        }}
        placeholder="choose, or type a new one"
      />
      {isNew && <span className="muted">New; it joins the choices.</span>}
    </>
  );
}

export type PersonValues = Omit<Shape<"PersonDetails">, "facts" | "kind"> & {
  facts?: Record<string, string | null | undefined>;
};

/** The form's values as the API takes them: facts that were left empty are left out. */
export function personDetails(kind: string, values: PersonValues): Shape<"PersonDetails"> {
  const facts: Record<string, string> = {};
  for (const [name, value] of Object.entries(values.facts ?? {})) {
    if (value) {
      facts[name] = value;
    }
  }
  return { ...values, givenName: values.givenName ?? "", kind, facts };
}

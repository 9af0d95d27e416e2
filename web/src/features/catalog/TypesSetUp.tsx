import { useQuery } from "@tanstack/react-query";
import { Alert, Button, Checkbox, Input, InputNumber, Radio, Select } from "antd";
import dayjs from "dayjs";
import { type ReactNode, useState } from "react";
import { useNavigate, useParams } from "react-router";
import { answer, api, done, fieldWords, Problem, type Shape, wordsOf } from "../../api/client";
import { DraftNote } from "../../ui/DraftNote";
import { useDraft } from "../../ui/drafts";
import { Loaded } from "../../ui/Quiet";
import { useStaff } from "../handover/colleagues";
import { EffectModal } from "./EffectModal";
import { FieldsEditor } from "./FieldsEditor";
import { PeriodField } from "./PeriodField";
import { ASKS_NOTHING, ReceivingEditor } from "./ReceivingEditor";
import { codeOf, type Validity } from "./rules";
import { SetUpList } from "./SetUpList";
import { setUpSectionsOptions, setUpTypesOptions, type TypeSetUp } from "./setUpQueries";
import { useEffectThenSave } from "./useEffectThenSave";

/** Document types: what a paper is and how long it holds, with an example while it is typed. */
export function TypesSetUp() {
  const types = useQuery(setUpTypesOptions);
  const sections = useQuery(setUpSectionsOptions);
  const { code } = useParams();
  const [text, setText] = useState("");
  return (
    <Loaded query={types}>
      {(all) => {
        const chosen = code === "new" ? undefined : (all.find((t) => t.code === code) ?? all[0]);
        const wanted = text.trim().toLowerCase();
        return (
          <>
            <SetUpList
              first={code ? undefined : all[0]?.code}
              title="Document types"
              path="/set-up/types"
              addWords="New type"
              entries={all.filter((t) =>
                [t.label, ...t.synonyms].some((name) => name.toLowerCase().includes(wanted)),
              )}
            >
              <Input
                size="small"
                allowClear
                aria-label="Find a type"
                placeholder="Name or synonym"
                value={text}
                onChange={(e) => setText(e.target.value)}
              />
            </SetUpList>
            <Loaded query={sections}>
              {(allSections) => (
                <TypeEditor
                  key={chosen?.code ?? "new"}
                  type={chosen}
                  taken={all.map((t) => t.code)}
                  sections={allSections}
                />
              )}
            </Loaded>
          </>
        );
      }}
    </Loaded>
  );
}

type TypeEditorProps = {
  type: TypeSetUp | undefined;
  taken: string[];
  sections: Shape<"SectionAnswerOfSetUp">[];
};

function TypeEditor({ type, taken, sections }: TypeEditorProps) {
  const drafting = useDraft<Omit<TypeSetUp, "code">, number>(
    `type ${type?.code ?? "new"}`,
    type ?? {
      version: 0,
      label: "",
      section: sections[0]?.code ?? "",
      validity: { rule: "open" },
      namingPattern: "{type}, {document date}, {person}, {pending}",
      signers: [],
      needsReview: false,
      sensitive: false,
      synonyms: [],
      fields: [],
      receiving: ASKS_NOTHING,
    },
    type?.version ?? 0,
  );
  const draft = drafting.value;
  const set = (changes: Partial<TypeSetUp>) => drafting.set((d) => ({ ...d, ...changes }));
  const staff = useStaff();
  const navigate = useNavigate();
  const code = type?.code ?? codeOf(draft.label, taken);
  const params = { path: { code } };
  const { version } = drafting;
  const { label, section, namingPattern, signers, needsReview, reviewer } = draft;
  const { sensitive, synonyms, fields, receiving } = draft;
  const validity = draft.validity;
  const body = {
    version,
    label,
    section,
    validity,
    namingPattern,
    signers,
    needsReview,
    reviewer: needsReview ? reviewer : undefined,
    sensitive,
    synonyms,
    fields,
    receiving,
  };
  const change = useEffectThenSave({
    ask: () => answer(api.POST("/api/set-up/document-types/{code}/effect", { params, body })),
    put: () => done(api.PUT("/api/set-up/document-types/{code}", { params, body })),
    savedWords: "Saved.",
    onSaved: () => {
      drafting.discard();
      navigate(`/set-up/types/${code}`);
    },
  });
  const problem = change.problem;
  return (
    <section className="set-up-body" aria-label={draft.label || "New document type"}>
      <div className="checklist-head">
        <Input
          aria-label="Name of the type"
          placeholder="Name of the type"
          className="set-up-title"
          variant="borderless"
          value={draft.label}
          onChange={(e) => set({ label: e.target.value })}
        />
        <Button
          type="primary"
          disabled={draft.label.trim() === ""}
          loading={change.isAsking}
          onClick={change.see}
        >
          See the effect and save…
        </Button>
      </div>
      {problem && <Alert type="error" title={wordsOf(problem)} className="set-up-alert" />}
      <DraftNote draft={drafting} />
      <Field label="Holds">
        <ValidityEditor
          label={draft.label}
          validity={draft.validity}
          onChange={(next) => set({ validity: next })}
        />
      </Field>
      <Field label="Stands in">
        <Select
          aria-label="Section"
          value={draft.section}
          popupMatchSelectWidth={false}
          onChange={(next) => set({ section: next })}
          options={sections.map((s) => ({ value: s.code, label: s.label }))}
        />
      </Field>
      <Field label="Name of a paper" help={fieldWords(problem, "namingPattern")}>
        <Input
          aria-label="Naming pattern"
          value={draft.namingPattern}
          onChange={(e) => set({ namingPattern: e.target.value })}
        />
        <p className="muted">
          Made of {"{type}"}, {"{document date}"}, {"{person}"}, {"{field …}"} with the name of a field, and{" "}
          {"{pending}"}, what is still missing.
        </p>
      </Field>
      <Field label="Fields" help={fieldsWords(problem)}>
        <FieldsEditor fields={draft.fields} onChange={(next) => set({ fields: next })} />
      </Field>
      <Field label="Review" help={fieldWords(problem, "reviewer")}>
        <Checkbox checked={draft.needsReview} onChange={(e) => set({ needsReview: e.target.checked })}>
          waits for a reviewer before it counts
        </Checkbox>
        {draft.needsReview && (
          <Select
            aria-label="Reviewer"
            allowClear
            placeholder="any colleague"
            style={{ width: 260 }}
            showSearch={{ optionFilterProp: "label" }}
            value={draft.reviewer ?? undefined}
            options={staff}
            onChange={(next?: string) => set({ reviewer: next })}
          />
        )}
      </Field>
      <Field label="Signed by" help={fieldWords(problem, "role")}>
        <Select
          mode="tags"
          aria-label="Signers"
          placeholder="nobody"
          value={draft.signers.map((s) => s.role)}
          onChange={(roles: string[]) =>
            set({
              signers: roles.map(
                (role) =>
                  draft.signers.find((s) => s.role === role) ?? { role, label: role.replaceAll("-", " ") },
              ),
            })
          }
          style={{ width: "100%" }}
        />
      </Field>
      <Field label="Once complete" help={receivingWords(problem)}>
        <ReceivingEditor receiving={draft.receiving} onChange={(next) => set({ receiving: next })} />
      </Field>
      <Field label="Sensitive">
        <Checkbox checked={draft.sensitive} onChange={(e) => set({ sensitive: e.target.checked })}>
          seen only by those who may see sensitive papers
        </Checkbox>
      </Field>
      <Field label="Also called">
        <Select
          mode="tags"
          aria-label="Synonyms"
          placeholder="other words by which it is found"
          value={draft.synonyms}
          onChange={(next: string[]) => set({ synonyms: next })}
          style={{ width: "100%" }}
        />
      </Field>
      <EffectModal what={draft.label} {...change.modal} />
    </section>
  );
}

/** What is wrong with those who must have it. */
function receivingWords(error: unknown): string | undefined {
  return error instanceof Problem
    ? error.fields.find((f) => f.field.startsWith("receiving."))?.message
    : undefined;
}

/** What is wrong with one of the fields. */
function fieldsWords(error: unknown): string | undefined {
  return error instanceof Problem
    ? error.fields.find((f) => f.field.startsWith("fields."))?.message
    : undefined;
}

function Field({ label, help, children }: { label: string; help?: string | undefined; children: ReactNode }) {
  return (
    <div className="set-up-field">
      <span className="set-up-label">{label}</span>
      <div>
        {children}
        {help && <p className="clay">{help}</p>}
      </div>
    </div>
  );
}

const RULES: { value: Validity["rule"]; label: string; start: Validity }[] = [
  { value: "open", label: "without end", start: { rule: "open" } },
  { value: "stated", label: "until the expiry stated on it", start: { rule: "stated" } },
  { value: "period", label: "for a period", start: { rule: "period", period: "P1Y" } },
  {
    value: "seasonEnd",
    label: "until the end of a season",
    start: { rule: "seasonEnd", monthDay: "--08-31" },
  },
  { value: "untilAge", label: "until a birthday", start: { rule: "untilAge", age: 18 } },
];

type ValidityEditorProps = { label: string; validity: Validity; onChange: (validity: Validity) => void };

function ValidityEditor({ label, validity, onChange }: ValidityEditorProps) {
  const example = useQuery({
    queryKey: ["set-up", "example", label, validity],
    queryFn: () =>
      answer(
        api.POST("/api/set-up/document-types/example", {
          body: { label: label.toLowerCase(), validity },
        }),
      ),
    placeholderData: (before) => before,
    retry: false,
  });
  return (
    <>
      <Radio.Group
        aria-label="How long a paper holds"
        value={validity.rule}
        onChange={(e) => onChange(RULES.find((r) => r.value === e.target.value)?.start ?? { rule: "open" })}
        options={RULES.map(({ value, label: words }) => ({ value, label: words }))}
      />
      <div className="sentence validity-parts">
        {validity.rule === "period" && <PeriodParts validity={validity} onChange={onChange} />}
        {validity.rule === "seasonEnd" && <SeasonParts validity={validity} onChange={onChange} />}
        {validity.rule === "untilAge" && (
          <>
            <span>until the day before the person turns</span>
            <InputNumber
              size="small"
              aria-label="Age"
              min={1}
              max={150}
              value={validity.age ?? 18}
              onChange={(age) => onChange({ rule: "untilAge", age: age ?? 18 })}
            />
          </>
        )}
      </div>
      <p className={example.error ? "clay" : "validity-example"} aria-live="polite">
        {example.error ? wordsOf(example.error) : example.data?.words}
      </p>
    </>
  );
}

type PartsProps = { validity: Validity; onChange: (validity: Validity) => void };

function PeriodParts({ validity, onChange }: PartsProps) {
  return (
    <>
      <PeriodField
        value={validity.period ?? "P1Y"}
        onChange={(period) => onChange({ ...validity, period })}
      />
      <span>from</span>
      <Select
        size="small"
        aria-label="Counted from"
        value={validity.anchor ?? "documentDate"}
        popupMatchSelectWidth={false}
        onChange={(anchor) => onChange({ ...validity, anchor })}
        options={[
          { value: "documentDate", label: "the date on it" },
          { value: "effectiveDate", label: "the day it takes effect" },
          { value: "receivedDate", label: "the day it was received" },
        ]}
      />
      <Checkbox
        checked={validity.roundTo === "endOfMonth"}
        onChange={(e) => {
          const { roundTo: _before, ...rest } = validity;
          onChange(e.target.checked ? { ...rest, roundTo: "endOfMonth" } : rest);
        }}
      >
        to the end of that month
      </Checkbox>
    </>
  );
}

const MONTHS = Array.from({ length: 12 }, (_, month) => dayjs().startOf("year").month(month).format("MMMM"));

function SeasonParts({ validity, onChange }: PartsProps) {
  const [, month = "08", date = "31"] = /^--(\d\d)-(\d\d)$/.exec(validity.monthDay ?? "") ?? [];
  const set = (m: string, d: string) => onChange({ rule: "seasonEnd", monthDay: `--${m}-${d}` });
  return (
    <>
      <span>until the next</span>
      <InputNumber
        size="small"
        aria-label="Day of the month"
        min={1}
        max={31}
        value={Number(date)}
        onChange={(d) => set(month, String(d ?? 1).padStart(2, "0"))}
        style={{ width: 58 }}
      />
      <Select
        size="small"
        aria-label="Month"
        value={month}
        popupMatchSelectWidth={false}
        onChange={(m) => set(m, date)}
        options={MONTHS.map((name, i) => ({ value: String(i + 1).padStart(2, "0"), label: name }))}
      />
    </>
  );
}

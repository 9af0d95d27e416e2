import { DeleteOutlined, PlusOutlined } from "@ant-design/icons";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Alert, App, Button, Checkbox, Input, Select } from "antd";
import { useState } from "react";
import { useNavigate, useParams } from "react-router";
import { api, done, Problem, type Shape, wordsOf } from "../../api/client";
import { DraftNote } from "../../ui/DraftNote";
import { useDraft } from "../../ui/drafts";
import { Loaded } from "../../ui/Quiet";
import { codeOf } from "./rules";
import { SetUpList } from "./SetUpList";
import { type KindSetUp, setUpKindsOptions } from "./setUpQueries";

type Fact = Shape<"FactDefinition">;

/** Kinds of files, and what is known of a person of each. */
export function KindsSetUp() {
  const kinds = useQuery(setUpKindsOptions);
  const { code } = useParams();
  return (
    <Loaded query={kinds}>
      {(all) => {
        const chosen = code === "new" ? undefined : (all.find((k) => k.code === code) ?? all[0]);
        return (
          <>
            <SetUpList
              first={code ? undefined : all[0]?.code}
              title="Kinds"
              path="/set-up/kinds"
              addWords="New kind"
              entries={all.map((k) => ({ code: k.code, label: k.label, words: String(k.files) }))}
            />
            <KindEditor key={chosen?.code ?? "new"} kind={chosen} taken={all.map((k) => k.code)} />
          </>
        );
      }}
    </Loaded>
  );
}

function KindEditor({ kind, taken }: { kind: KindSetUp | undefined; taken: string[] }) {
  const drafting = useDraft(
    `kind ${kind?.code ?? "new"}`,
    {
      label: kind?.label ?? "",
      plural: kind?.plural ?? "",
      numberPrefix: kind?.numberPrefix ?? "",
      subject: kind?.subject ?? ("PERSON" as KindSetUp["subject"]),
      facts: kind?.facts ?? ([] as Fact[]),
    },
    kind?.version ?? 0,
  );
  const { value: draft, set: setDraft } = drafting;
  const { message } = App.useApp();
  const queries = useQueryClient();
  const navigate = useNavigate();
  const code = kind?.code ?? codeOf(draft.label, taken);
  const save = useMutation({
    mutationFn: () => {
      const { label, plural, numberPrefix, subject, facts } = draft;
      return done(
        api.PUT("/api/set-up/kinds/{code}", {
          params: { path: { code } },
          body: { version: drafting.version, label, plural, numberPrefix, subject, facts },
        }),
      );
    },
    onSuccess: () => {
      message.success("Saved.");
      drafting.discard();
      queries.invalidateQueries();
      navigate(`/set-up/kinds/${code}`);
    },
  });
  const wrong = save.error instanceof Problem ? save.error.fields[0]?.field : undefined;
  const setFacts = (facts: Fact[]) => setDraft((d) => ({ ...d, facts }));
  return (
    <section className="set-up-body" aria-label={draft.label || "New kind"}>
      <div className="checklist-head">
        <Input
          aria-label="Name of the kind"
          placeholder="One is called"
          className="set-up-title"
          variant="borderless"
          value={draft.label}
          onChange={(e) => setDraft((d) => ({ ...d, label: e.target.value }))}
        />
        <Input
          aria-label="Name of several"
          placeholder="Several are called"
          value={draft.plural}
          style={{ width: 170 }}
          onChange={(e) => setDraft((d) => ({ ...d, plural: e.target.value }))}
        />
        <Input
          aria-label="File numbers begin with"
          placeholder="Numbers: V"
          value={draft.numberPrefix}
          disabled={kind != null}
          style={{ width: 110 }}
          onChange={(e) => setDraft((d) => ({ ...d, numberPrefix: e.target.value.toUpperCase() }))}
        />
        <Button
          type="primary"
          loading={save.isPending}
          disabled={!draft.label.trim() || !draft.plural.trim()}
          onClick={() => save.mutate()}
        >
          Save
        </Button>
      </div>
      {save.error && <Alert type="error" title={wordsOf(save.error)} className="set-up-alert" />}
      <DraftNote draft={drafting} />
      <p className="kind-subject">
        Such a file is about{" "}
        <Select
          aria-label="What such a file is about"
          value={draft.subject}
          disabled={(kind?.files ?? 0) > 0}
          style={{ width: 220 }}
          options={SUBJECTS}
          onChange={(subject) => setDraft((d) => ({ ...d, subject }))}
        />
      </p>
      <table className="facts-table">
        <thead>
          <tr>
            <th scope="col">Fact</th>
            <th scope="col">Form</th>
            <th scope="col">Choices</th>
            <th scope="col">In the head</th>
            <th scope="col">Sensitive</th>
            <th scope="col" aria-label="Remove" />
          </tr>
        </thead>
        <tbody>
          {draft.facts.map((fact, i) => (
            <FactRow
              key={fact.name}
              fact={fact}
              isWrong={wrong?.startsWith(`facts.${i}.`) ?? false}
              onChange={(next) => setFacts(draft.facts.map((f, j) => (j === i ? next : f)))}
              onRemove={() => setFacts(draft.facts.filter((_, j) => j !== i))}
            />
          ))}
        </tbody>
      </table>
      <AddFact taken={draft.facts.map((f) => f.name)} onAdd={(fact) => setFacts([...draft.facts, fact])} />
    </section>
  );
}

const SUBJECTS: { value: KindSetUp["subject"]; label: string }[] = [
  { value: "PERSON", label: "a person" },
  { value: "PRACTICE", label: "the practice or a place" },
];

const FORMS: { value: Fact["form"]; label: string }[] = [
  { value: "TEXT", label: "text" },
  { value: "NUMBER", label: "number" },
  { value: "DATE", label: "day" },
  { value: "CHOICE", label: "choice" },
  { value: "OPEN_CHOICE", label: "growing choice" },
  { value: "YES_NO", label: "yes or no" },
  { value: "PERSON", label: "person" },
];

function FactRow({
  fact,
  isWrong,
  onChange,
  onRemove,
}: {
  fact: Fact;
  isWrong: boolean;
  onChange: (fact: Fact) => void;
  onRemove: () => void;
}) {
  return (
    <tr className={isWrong ? "wrong" : undefined}>
      <td>
        <Input
          aria-label="Name of the fact"
          value={fact.label}
          onChange={(e) => onChange({ ...fact, label: e.target.value })}
        />
      </td>
      <td>
        <Select
          aria-label={`Form of ${fact.label}`}
          value={fact.form}
          style={{ width: 142 }}
          options={FORMS}
          onChange={(form) => onChange({ ...fact, form })}
        />
      </td>
      <td>
        {(fact.form === "CHOICE" || fact.form === "OPEN_CHOICE") && (
          <Select
            mode="tags"
            aria-label={`Choices of ${fact.label}`}
            value={fact.choices}
            style={{ width: "100%" }}
            onChange={(choices: string[]) => onChange({ ...fact, choices })}
          />
        )}
      </td>
      <td>
        <Checkbox
          aria-label={`Show ${fact.label} in the head of the file`}
          checked={fact.key}
          onChange={(e) => onChange({ ...fact, key: e.target.checked })}
        />
      </td>
      <td>
        <Checkbox
          aria-label={`${fact.label} is sensitive`}
          checked={fact.sensitive}
          onChange={(e) => onChange({ ...fact, sensitive: e.target.checked })}
        />
      </td>
      <td>
        <Button
          type="text"
          icon={<DeleteOutlined />}
          aria-label={`Remove ${fact.label}`}
          onClick={onRemove}
        />
      </td>
    </tr>
  );
}

/** A fact gets its name in rules once, from what it is first called. */
function AddFact({ taken, onAdd }: { taken: string[]; onAdd: (fact: Fact) => void }) {
  const [label, setLabel] = useState("");
  const add = () => {
    const name = codeOf(label, taken).replace(/-([a-z0-9])/g, (_, letter: string) => letter.toUpperCase());
    if (label.trim()) {
      onAdd({ name, label: label.trim(), form: "TEXT", choices: [], key: false, sensitive: false });
      setLabel("");
    }
  };
  return (
    <div className="add-fact">
      <Input
        aria-label="New fact"
        placeholder="New fact, such as “locker”"
        value={label}
        onChange={(e) => setLabel(e.target.value)}
        onPressEnter={add}
      />
      <Button icon={<PlusOutlined />} disabled={!label.trim()} onClick={add}>
        Add
      </Button>
    </div>
  );
}

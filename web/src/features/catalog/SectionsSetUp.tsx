import { ArrowDownOutlined, ArrowUpOutlined, DeleteOutlined } from "@ant-design/icons";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Alert, App, Button, Checkbox, Input, Select } from "antd";
import { api, done, type Shape, wordsOf } from "../../api/client";
import { DraftNote } from "../../ui/DraftNote";
import { useDraft } from "../../ui/drafts";
import { Loaded } from "../../ui/Quiet";
import { moved } from "./rules";
import { setUpSectionsOptions } from "./setUpQueries";

type Files = NonNullable<Section["subject"]> | "ALL";

const FILES: { value: Files; label: string }[] = [
  { value: "ALL", label: "in all files" },
  { value: "PERSON", label: "in people's files" },
  { value: "PRACTICE", label: "in the practice's own" },
];

type Section = Shape<"SectionAnswerOfSetUp">;

/** The parts of a file and their order. */
export function SectionsSetUp() {
  const sections = useQuery(setUpSectionsOptions);
  return <Loaded query={sections}>{(all) => <Sections sections={all} />}</Loaded>;
}

function Sections({ sections }: { sections: Section[] }) {
  const drafting = useDraft<(Omit<Section, "code"> & { code?: string })[], string>(
    "sections",
    sections,
    JSON.stringify(sections.map((s) => [s.code, s.label, s.sensitive, s.subject])),
  );
  const { value: draft, set: setDraft } = drafting;
  const { message } = App.useApp();
  const queries = useQueryClient();
  const save = useMutation({
    mutationFn: () =>
      done(
        api.PUT("/api/set-up/sections", {
          body: draft.map(({ code, label, sensitive, subject }) => ({ code, label, sensitive, subject })),
        }),
      ),
    onSuccess: () => {
      message.success("Saved.");
      drafting.discard();
      queries.invalidateQueries();
    },
  });
  return (
    <section className="set-up-body wide" aria-label="Sections">
      <div className="checklist-head">
        <h2>Sections of a file</h2>
        <span className="grow" />
        <Button type="primary" loading={save.isPending} onClick={() => save.mutate()}>
          Save
        </Button>
      </div>
      {save.error && <Alert type="error" title={wordsOf(save.error)} className="set-up-alert" />}
      <DraftNote draft={drafting} />
      <p className="muted">
        The papers of a sensitive section are seen only by those who may see sensitive papers, whatever their
        type.
      </p>
      <ul className="plain-list sections-list">
        {draft.map((section, i) => (
          <li key={section.code ?? `new ${i}`}>
            <Input
              aria-label="Name of the section"
              value={section.label}
              onChange={(e) => setDraft(draft.map((s, j) => (j === i ? { ...s, label: e.target.value } : s)))}
            />
            <Checkbox
              checked={section.sensitive}
              onChange={(e) =>
                setDraft(draft.map((s, j) => (j === i ? { ...s, sensitive: e.target.checked } : s)))
              }
            >
              sensitive
            </Checkbox>
            <Select<Files>
              aria-label={`Files that have ${section.label}`}
              value={section.subject ?? "ALL"}
              options={FILES}
              style={{ width: 190 }}
              onChange={(of) =>
                setDraft(draft.map((s, j) => (j === i ? { ...s, subject: of === "ALL" ? null : of } : s)))
              }
            />
            <span className="muted tabular">
              {section.types} {section.types === 1 ? "type" : "types"}
            </span>
            <Button
              type="text"
              icon={<ArrowUpOutlined />}
              aria-label={`Move ${section.label} up`}
              disabled={i === 0}
              onClick={() => setDraft(moved(draft, i, i - 1))}
            />
            <Button
              type="text"
              icon={<ArrowDownOutlined />}
              aria-label={`Move ${section.label} down`}
              disabled={i === draft.length - 1}
              onClick={() => setDraft(moved(draft, i, i + 1))}
            />
            <Button
              type="text"
              icon={<DeleteOutlined />}
              aria-label={`Remove ${section.label}`}
              onClick={() => setDraft(draft.filter((_, j) => j !== i))}
            />
          </li>
        ))}
      </ul>
      <Button onClick={() => setDraft([...draft, { label: "", types: 0, sensitive: false }])}>
        Add a section
      </Button>
    </section>
  );
}

import { useQuery } from "@tanstack/react-query";
import { Alert, Button, Input, Select } from "antd";
import { useState } from "react";
import { useNavigate, useParams } from "react-router";
import { answer, api, done, Problem, type Shape, wordsOf } from "../../api/client";
import { practiceOptions } from "../../api/practice";
import { DayField } from "../../ui/DayField";
import { DraftNote } from "../../ui/DraftNote";
import { day } from "../../ui/days";
import { useDraft } from "../../ui/drafts";
import { Loaded, QuietEmpty } from "../../ui/Quiet";
import { ConditionEditor, type KnownFacts } from "./ConditionEditor";
import { EffectModal } from "./EffectModal";
import { RequirementCard } from "./RequirementCard";
import { type Checklist, codeOf, moved, type Requirement } from "./rules";
import { SetUpList } from "./SetUpList";
import {
  type ChecklistSetUp,
  setUpChecklistsOptions,
  setUpKindsOptions,
  setUpTypesOptions,
  type TypeSetUp,
} from "./setUpQueries";
import { useEffectThenSave } from "./useEffectThenSave";

/** Checklists: what files must hold, in sentences, with the effect told before it is saved. */
export function ChecklistsSetUp() {
  const lists = useQuery(setUpChecklistsOptions);
  const practice = useQuery(practiceOptions);
  return (
    <Loaded query={practice}>
      {({ today }) => <Loaded query={lists}>{(all) => <Chosen lists={all} today={today} />}</Loaded>}
    </Loaded>
  );
}

function Chosen({ lists, today }: { lists: ChecklistSetUp[]; today: string }) {
  const { code } = useParams();
  const kinds = useQuery(setUpKindsOptions);
  const types = useQuery(setUpTypesOptions);
  const chosen = code === "new" ? undefined : (lists.find((l) => l.code === code) ?? lists[0]);
  const isNew = code === "new" || lists.length === 0;
  return (
    <>
      <SetUpList
        first={code ? undefined : lists[0]?.code}
        title="Checklists"
        path="/set-up/checklists"
        addWords="New checklist"
        entries={lists.map((l) => ({
          code: l.code,
          label: l.label,
          words: String(l.versions[l.versions.length - 1]?.definition.requirements.length ?? 0),
        }))}
      />
      <Loaded query={kinds}>
        {(allKinds) => (
          <Loaded query={types}>
            {(allTypes) => (
              <ChecklistEditor
                key={isNew ? "new" : chosen?.code}
                list={isNew ? undefined : chosen}
                today={today}
                taken={lists.map((l) => l.code)}
                known={factsOf(allKinds)}
                types={allTypes}
              />
            )}
          </Loaded>
        )}
      </Loaded>
    </>
  );
}

/** The facts of all kinds, each name once. */
function factsOf(kinds: Shape<"KindSetUp">[]): KnownFacts {
  const facts = new Map(kinds.flatMap((k) => k.facts).map((f) => [f.name, f]));
  return { kinds: kinds.map((k) => ({ code: k.code, label: k.label })), facts: [...facts.values()] };
}

type EditorProps = {
  list: ChecklistSetUp | undefined;
  /** From when a changed checklist is in force unless another day is chosen. */
  today: string;
  taken: string[];
  known: KnownFacts;
  types: TypeSetUp[];
};

type Draft = { label: string; fromDay: string | null; definition: Checklist; labels: Record<string, string> };

function draftOf(list: ChecklistSetUp | undefined, today: string): Draft {
  const latest = list?.versions[list.versions.length - 1];
  return {
    label: list?.label ?? "",
    fromDay: today,
    definition: latest?.definition ?? { code: "", requirements: [] },
    labels: latest?.labels ?? {},
  };
}

function ChecklistEditor({ list, today, taken, known, types }: EditorProps) {
  const drafting = useDraft(`checklist ${list?.code ?? "new"}`, draftOf(list, today), list?.version ?? 0);
  const { value: draft, set: setDraft } = drafting;
  const [dragged, setDragged] = useState<number | null>(null);
  const navigate = useNavigate();
  const code = list?.code ?? codeOf(draft.label, taken);
  const body = {
    version: drafting.version,
    label: draft.label,
    ...(draft.fromDay ? { fromDay: draft.fromDay } : {}),
    definition: { ...draft.definition, code },
    labels: draft.labels,
  };
  const params = { path: { code } };
  const change = useEffectThenSave({
    ask: () => answer(api.POST("/api/set-up/checklists/{code}/effect", { params, body })),
    put: () => done(api.PUT("/api/set-up/checklists/{code}", { params, body })),
    savedWords: "Saved. Files are recomputed now.",
    onSaved: () => {
      drafting.discard();
      navigate(`/set-up/checklists/${code}`);
    },
  });
  const problem = change.problem as unknown;
  const place = problem instanceof Problem ? placeOf(problem) : null;
  const requirements = draft.definition.requirements;
  const setRequirements = (next: Requirement[]) =>
    setDraft((d) => ({ ...d, definition: { ...d.definition, requirements: next } }));
  const typeOptions = types.map((t) => ({ value: t.code, label: t.label }));
  const roles = [...new Set(types.flatMap((t) => t.signers.map((s) => s.role)))];
  const add = () => {
    const next = codeOf(
      "requirement",
      requirements.map((r) => r.code),
    );
    setRequirements([...requirements, { code: next, evidence: { type: types[0]?.code ?? "" } }]);
    setDraft((d) => ({ ...d, labels: { ...d.labels, [next]: "" } }));
  };
  return (
    <section className="set-up-body" aria-label={draft.label || "New checklist"}>
      <div className="checklist-head">
        <Input
          aria-label="Name of the checklist"
          placeholder="Name of the checklist"
          className="set-up-title"
          variant="borderless"
          value={draft.label}
          onChange={(e) => setDraft((d) => ({ ...d, label: e.target.value }))}
        />
        <span className="muted">in force from</span>
        <div className="in-force">
          <DayField
            value={draft.fromDay}
            placeholder="ever"
            onChange={(fromDay) => setDraft((d) => ({ ...d, fromDay }))}
          />
        </div>
        <Button
          type="primary"
          loading={change.isAsking}
          disabled={draft.label.trim() === ""}
          onClick={change.see}
        >
          See the effect and save…
        </Button>
      </div>
      <DraftNote draft={drafting} />
      {list && list.versions.length > 1 && <Versions list={list} onShow={setDraft} label={draft.label} />}
      {problem != null && (!place || place.requirement === undefined) && (
        <Alert type="error" title={wordsOf(problem)} className="set-up-alert" />
      )}
      <div className="requirement-line checklist-whom">
        <span className="lead-word">{draft.definition.appliesWhen ? "files whose" : "files of"}</span>
        <ConditionEditor
          condition={draft.definition.appliesWhen}
          known={known}
          none="everyone"
          onChange={(appliesWhen) =>
            setDraft((d) => {
              const definition = { ...d.definition };
              if (appliesWhen) {
                definition.appliesWhen = appliesWhen;
              } else {
                delete definition.appliesWhen;
              }
              return { ...d, definition };
            })
          }
        />
        <span className="lead-word">need</span>
      </div>
      {requirements.length === 0 && (
        <QuietEmpty title="Nothing is asked yet">
          <p>Add what these files must hold.</p>
        </QuietEmpty>
      )}
      <ul className="plain-list">
        {requirements.map((requirement, i) => (
          <RequirementCard
            key={requirement.code}
            requirement={requirement}
            label={draft.labels[requirement.code] ?? ""}
            known={known}
            types={typeOptions}
            roles={roles}
            problem={place?.requirement === i ? wordsOf(problem) : undefined}
            onChange={(next) => setRequirements(requirements.map((r, j) => (j === i ? next : r)))}
            onLabel={(label) =>
              setDraft((d) => ({ ...d, labels: { ...d.labels, [requirement.code]: label } }))
            }
            onRemove={() => setRequirements(requirements.filter((_, j) => j !== i))}
            onMove={(by) =>
              i + by >= 0 && i + by < requirements.length && setRequirements(moved(requirements, i, i + by))
            }
            drag={{
              onDragStart: () => setDragged(i),
              onDragOver: (e) => dragged !== null && e.preventDefault(),
              onDrop: () => {
                if (dragged !== null) {
                  setRequirements(moved(requirements, dragged, i));
                }
                setDragged(null);
              },
            }}
          />
        ))}
      </ul>
      <Button onClick={add}>Add a requirement</Button>
      <EffectModal what={draft.label} {...change.modal} />
    </section>
  );
}

/** Where in the checklist a refusal points: `definition/requirements/2/evidence` is the third requirement. */
function placeOf(problem: Problem): { requirement?: number } {
  const found = /^definition\/requirements\/(\d+)/.exec(problem.fields[0]?.field ?? "");
  return found ? { requirement: Number(found[1]) } : {};
}

/** Older and coming versions, to look at; saving makes a version of its own from its day on. */
function Versions({
  list,
  label,
  onShow,
}: {
  list: ChecklistSetUp;
  label: string;
  onShow: (draft: Draft) => void;
}) {
  return (
    <p className="checklist-versions">
      <span className="muted">{list.versions.length} versions</span>
      <Select
        size="small"
        aria-label="Show a version"
        placeholder="look at one"
        popupMatchSelectWidth={false}
        options={list.versions.map((v, i) => ({
          value: i,
          label: `${v.from ? `from ${day(v.from)}` : "from the beginning"}${v.to ? ` to ${day(v.to)}` : ""}`,
        }))}
        onSelect={(i: number) => {
          const version = list.versions[i];
          if (version) {
            onShow({
              label,
              fromDay: version.from ?? null,
              definition: version.definition,
              labels: version.labels,
            });
          }
        }}
      />
    </p>
  );
}

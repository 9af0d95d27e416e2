import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Alert, App, Button, Checkbox, Input, Select } from "antd";
import { useState } from "react";
import { Link, useNavigate, useParams } from "react-router";
import { answer, api, done, wordsOf } from "../../../api/client";
import { practiceOptions } from "../../../api/practice";
import { DayField } from "../../../ui/DayField";
import { Loaded } from "../../../ui/Quiet";
import { useSettled } from "../../../ui/useSettled";
import { Where } from "../../../ui/Where";
import { setUpChecklistsOptions } from "../../catalog/setUpQueries";
import { typesOptions } from "../../catalog/typeQueries";
import { kindsOptions } from "../../people/fileQueries";
import { type PlanDetails, plansOptions, wordsOptions } from "../planQueries";
import "../chasing.css";
import { Effect } from "./Effect";
import { Steps } from "./Steps";

/** A plan: what it is about, its steps, and what would go out by it. */
export function PlanPage() {
  const { id = "new" } = useParams();
  const plans = useQuery(plansOptions);
  const words = useQuery(wordsOptions);
  const practice = useQuery(practiceOptions);
  const [search] = useState(() => new URLSearchParams(window.location.search));
  return (
    <Loaded query={plans}>
      {(all) => (
        <Loaded query={words}>
          {(known) => {
            const found = all.find((p) => p.id === id);
            return (
              <Editor
                key={found ? `${id} ${found.changes}` : id}
                id={found?.id}
                changes={found?.changes ?? 0}
                first={found?.plan ?? fresh(known[0]?.id, practice.data?.today, search.get("paper"))}
              />
            );
          }}
        </Loaded>
      )}
    </Loaded>
  );
}

/** A plan as it begins: a month and a week ahead, and once more when it is over. */
function fresh(words: string | undefined, today: string | undefined, paper: string | null): PlanDetails {
  const step = (days: number) => ({
    occasion: "LAPSE" as const,
    days,
    every: 0,
    times: 1,
    who: { kind: "PERSON" as const },
    words,
  });
  return {
    name: "",
    scope: { kinds: [], requirements: [], types: [], documentId: paper ?? undefined },
    steps: [step(-30), step(-7), step(3)],
    beginsOn: today ?? new Date().toISOString().slice(0, 10),
    courtesy: false,
    paused: false,
  };
}

type EditorProps = { id?: string; changes: number; first: PlanDetails };

function Editor({ id, changes, first }: EditorProps) {
  const [plan, setPlan] = useState(first);
  const put = (change: Partial<PlanDetails>) => setPlan((now) => ({ ...now, ...change }));
  const settled = useSettled(plan, 500);
  const { message, modal } = App.useApp();
  const navigate = useNavigate();
  const queries = useQueryClient();
  const leave = () => {
    queries.invalidateQueries({ queryKey: ["chasing"] });
    navigate("/chasing?view=plans");
  };
  const save = useMutation({
    mutationFn: async () => {
      await (id
        ? done(api.PUT("/api/notice-plans/{id}", { params: { path: { id } }, body: { changes, plan } }))
        : answer(api.POST("/api/notice-plans", { body: plan })));
    },
    onSuccess: () => {
      message.success(
        plan.paused ? "Saved. The plan is paused." : "Saved. It tells people from the next morning on.",
      );
      leave();
    },
  });
  const remove = () =>
    modal.confirm({
      title: `Remove the plan “${plan.name}”?`,
      content: "It tells nobody any more. What it told stays in the history.",
      okText: "Remove",
      okButtonProps: { danger: true },
      onOk: () =>
        done(api.DELETE("/api/notice-plans/{id}", { params: { path: { id: id ?? "" } } })).then(
          leave,
          (error) => message.error(wordsOf(error)),
        ),
    });
  return (
    <div className="plan-page">
      <Where>
        <Link to="/chasing?view=plans">Chasing</Link>{" "}
        <span className="muted">· {id ? first.name : "new plan"}</span>
      </Where>
      <section className="plan-form scroll" aria-label="The plan">
        <div className="words-form">
          <label htmlFor="plan-name">Name</label>
          <Input
            id="plan-name"
            autoFocus={!id}
            value={plan.name}
            maxLength={80}
            onChange={(e) => put({ name: e.target.value })}
          />
          <Scope plan={plan} onChange={put} />
        </div>
        <Steps steps={plan.steps} onChange={(steps) => put({ steps })} />
        <div className="words-form">
          <span>Begins</span>
          <DayField label="Begins" value={plan.beginsOn} onChange={(day) => day && put({ beginsOn: day })} />
          <span />
          <Checkbox checked={plan.courtesy} onChange={(e) => put({ courtesy: e.target.checked })}>
            It is no duty: whoever is told can ask for no more
          </Checkbox>
          <span />
          <Checkbox checked={plan.paused} onChange={(e) => put({ paused: e.target.checked })}>
            Paused for the time being
          </Checkbox>
        </div>
        {save.error && <Alert type="error" title={wordsOf(save.error)} />}
        <div className="buttons plan-foot">
          <Button type="primary" loading={save.isPending} onClick={() => save.mutate()}>
            Save
          </Button>
          <Button onClick={() => navigate("/chasing?view=plans")}>Cancel</Button>
          {id && (
            <Button danger type="text" onClick={remove}>
              Remove
            </Button>
          )}
        </div>
      </section>
      <aside className="plan-effect scroll" aria-label="What would go out">
        <Effect id={id} plan={settled} />
      </aside>
    </div>
  );
}

type ScopeProps = { plan: PlanDetails; onChange: (change: Partial<PlanDetails>) => void };

function Scope({ plan: { scope }, onChange }: ScopeProps) {
  const checklists = useQuery(setUpChecklistsOptions).data ?? [];
  const kinds = useQuery(kindsOptions).data ?? [];
  const types = useQuery(typesOptions).data ?? [];
  const chosen = checklists.find((c) => c.code === scope.checklist);
  const labels = Object.assign({}, ...(chosen?.versions.map((v) => v.labels) ?? [])) as Record<
    string,
    string
  >;
  const put = (change: Partial<PlanDetails["scope"]>) => onChange({ scope: { ...scope, ...change } });
  if (scope.documentId) {
    return (
      <>
        <span>About</span>
        <span>
          one paper, when it runs out ·{" "}
          <button type="button" className="linklike" onClick={() => put({ documentId: undefined })}>
            about a checklist instead
          </button>
        </span>
      </>
    );
  }
  return (
    <>
      <label htmlFor="plan-checklist">About</label>
      <Select
        id="plan-checklist"
        allowClear
        placeholder="all checklists"
        value={scope.checklist}
        onChange={(checklist) => put({ checklist, requirements: [] })}
        options={checklists.map((c) => ({ value: c.code, label: c.label }))}
      />
      {chosen && (
        <>
          <label htmlFor="plan-requirements">Only</label>
          <Select
            id="plan-requirements"
            mode="multiple"
            placeholder="everything it asks for"
            value={scope.requirements}
            onChange={(requirements) => put({ requirements })}
            options={Object.entries(labels).map(([value, label]) => ({ value, label }))}
            showSearch={{ optionFilterProp: "label" }}
          />
        </>
      )}
      {!chosen && (
        <>
          <label htmlFor="plan-kinds">Kinds</label>
          <Select
            id="plan-kinds"
            mode="multiple"
            placeholder="all"
            value={scope.kinds}
            onChange={(to) => put({ kinds: to })}
            options={kinds.map((k) => ({ value: k.code, label: k.plural }))}
          />
          <label htmlFor="plan-types">Types</label>
          <Select
            id="plan-types"
            mode="multiple"
            placeholder="all"
            value={scope.types}
            onChange={(to) => put({ types: to })}
            options={types.map((t) => ({ value: t.code, label: t.label }))}
            showSearch={{ optionFilterProp: "label" }}
          />
        </>
      )}
    </>
  );
}

import { useQuery } from "@tanstack/react-query";
import { Button, Input, InputNumber, Select } from "antd";
import { useStaff } from "../../handover/colleagues";
import { type PlanStep, wordsOptions } from "../planQueries";
import { OCCASIONS, RELATIONS } from "../planWords";

type StepsProps = { steps: PlanStep[]; onChange: (steps: PlanStep[]) => void };

/** When, whom and in which words; each step as one sentence. */
export function Steps({ steps, onChange }: StepsProps) {
  const words = useQuery(wordsOptions).data ?? [];
  const add = () => {
    const last = steps[steps.length - 1];
    onChange([
      ...steps,
      last
        ? { ...last, id: undefined, days: Math.max(last.days, 0) + 7 }
        : { occasion: "DUE", days: 7, every: 0, times: 1, who: { kind: "PERSON" }, words: words[0]?.id },
    ]);
  };
  return (
    <>
      <h2>Steps</h2>
      <ol className="plain-list plan-steps">
        {steps.map((step, at) => (
          <li key={step.id ?? `new ${at}`}>
            <Step
              step={step}
              at={at}
              onChange={(to) => onChange(steps.map((s, i) => (i === at ? to : s)))}
              onRemove={steps.length > 1 ? () => onChange(steps.filter((_, i) => i !== at)) : undefined}
            />
          </li>
        ))}
      </ol>
      <Button onClick={add}>Add a step</Button>
    </>
  );
}

type StepProps = { step: PlanStep; at: number; onChange: (to: PlanStep) => void; onRemove?: () => void };

/** What days are counted from, and to which side: `LAPSE before`. */
const WHENS = Object.entries(OCCASIONS).flatMap(([occasion, { before, after, foreseen }]) => [
  ...(foreseen ? [{ value: `${occasion} -`, label: `days ${before}` }] : []),
  { value: `${occasion} +`, label: `days ${after}` },
]);

function Step({ step, at, onChange, onRemove }: StepProps) {
  const put = (change: Partial<PlanStep>) => onChange({ ...step, ...change });
  const words = useQuery(wordsOptions).data ?? [];
  const name = `step ${at + 1}`;
  const isAhead = step.days < 0;
  return (
    <div className="plan-step">
      <InputNumber
        aria-label={`Days of ${name}`}
        min={0}
        max={3650}
        value={Math.abs(step.days)}
        onChange={(days) => put({ days: isAhead ? -(days ?? 0) : (days ?? 0) })}
      />
      <Select
        aria-label={`When ${name} tells`}
        className="plan-when"
        value={`${step.occasion} ${isAhead ? "-" : "+"}`}
        onChange={(value) => {
          const [occasion, side] = value.split(" ");
          const days = Math.abs(step.days) || (side === "-" ? 1 : 0);
          put({ occasion: occasion as PlanStep["occasion"], days: side === "-" ? -days : days });
        }}
        options={WHENS}
      />
      <WhoField step={step} name={name} onChange={put} />
      <span className="plan-line" />
      {step.who.kind !== "TASK" && (
        <Select
          aria-label={`Words of ${name}`}
          className="plan-words"
          placeholder="choose words"
          value={step.words}
          onChange={(id) => put({ words: id })}
          options={words.map((w) => ({ value: w.id, label: w.name }))}
          notFoundContent="Write words first, under Plans"
        />
      )}
      <Again step={step} name={name} onChange={put} />
      {onRemove && (
        <Button type="text" onClick={onRemove} aria-label={`Remove ${name}`}>
          Remove
        </Button>
      )}
    </div>
  );
}

type PartProps = { step: PlanStep; name: string; onChange: (change: Partial<PlanStep>) => void };

function Again({ step, name, onChange }: PartProps) {
  if (step.times <= 1) {
    return (
      <Button type="text" onClick={() => onChange({ times: 3, every: 7 })} aria-label={`Repeat ${name}`}>
        Repeat
      </Button>
    );
  }
  return (
    <span className="plan-again">
      every
      <InputNumber
        aria-label={`Days between repeats of ${name}`}
        min={1}
        max={365}
        value={step.every}
        onChange={(every) => onChange({ every: every ?? 7 })}
      />
      days, in all
      <InputNumber
        aria-label={`How often ${name} tells`}
        min={1}
        max={50}
        value={step.times}
        onChange={(times) => onChange(times && times > 1 ? { times } : { times: 1, every: 0 })}
      />
      times
    </span>
  );
}

const WHOS = [
  { value: "PERSON", label: "the person, or a child’s guardian" },
  { value: "SUPERVISOR", label: "the supervisor" },
  { value: "COLLEAGUE", label: "a colleague" },
  { value: "OUTSIDE", label: "somebody outside" },
  { value: "TASK", label: "a task in Today" },
  ...Object.entries(RELATIONS).map(([value, label]) => ({
    value: `RELATED ${value}`,
    label: `the ${label}`,
  })),
];

function WhoField({ step, name, onChange }: PartProps) {
  const staff = useStaff();
  const { who } = step;
  const put = (change: Partial<PlanStep["who"]>) => onChange({ who: { ...who, ...change } });
  return (
    <>
      <Select
        aria-label={`Whom ${name} tells`}
        className="plan-who"
        value={who.kind === "RELATED" ? `RELATED ${who.relation}` : who.kind}
        onChange={(value) => {
          const [kind, relation] = value.split(" ");
          onChange({
            who: {
              kind: kind as PlanStep["who"]["kind"],
              relation: relation as PlanStep["who"]["relation"],
              accountId: kind === "COLLEAGUE" ? staff[0]?.value : undefined,
            },
          });
        }}
        options={WHOS}
      />
      {(who.kind === "COLLEAGUE" || who.kind === "TASK") && (
        <Select
          aria-label={`Colleague of ${name}`}
          className="plan-who"
          allowClear={who.kind === "TASK"}
          placeholder="everybody’s"
          value={who.accountId}
          onChange={(accountId) => put({ accountId })}
          options={staff}
        />
      )}
      {who.kind === "OUTSIDE" && (
        <>
          <Input
            aria-label={`Name for ${name}`}
            className="plan-outside"
            placeholder="name"
            value={who.name ?? ""}
            onChange={(e) => put({ name: e.target.value })}
          />
          <Input
            aria-label={`Address for ${name}`}
            className="plan-outside"
            placeholder="email address"
            value={who.address ?? ""}
            onChange={(e) => put({ address: e.target.value })}
          />
        </>
      )}
    </>
  );
}

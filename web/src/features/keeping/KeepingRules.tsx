import { DeleteOutlined } from "@ant-design/icons";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Alert, App, Button, InputNumber, Select } from "antd";
import { useState } from "react";
import { answer, api, done, wordsOf } from "../../api/client";
import { typesOptions } from "../catalog/typeQueries";
import { kindsOptions } from "../people/fileQueries";
import type { KeepingAll, KeepingPeriods } from "./keepingQueries";

/** Long periods are easier to take in as years. */
const inYears = (months: number) =>
  months >= 12 && months % 12 === 0 ? ` (${months / 12} ${months === 12 ? "year" : "years"})` : "";

type Known = { code: string; label: string };

/** The rules as sentences; before they are saved it is said how many files could leave at once. */
export function KeepingRules({ all }: { all: KeepingAll }) {
  const kinds = useQuery(kindsOptions).data ?? [];
  const types = useQuery(typesOptions).data ?? [];
  const [rules, setRules] = useState<KeepingPeriods>(all.rules);
  const { message } = App.useApp();
  const queries = useQueryClient();
  const effect = useMutation({ mutationFn: () => answer(api.POST("/api/keeping/effect", { body: rules })) });
  const save = useMutation({
    mutationFn: () => done(api.PUT("/api/keeping", { body: { changes: all.changes, rules } })),
    onSuccess: () => {
      message.success("Saved.");
      queries.invalidateQueries();
    },
  });
  const change = (part: Partial<KeepingPeriods>) => {
    setRules((before) => ({ ...before, ...part }));
    effect.reset();
  };
  const isChanged = JSON.stringify(rules) !== JSON.stringify(all.rules);
  const error = save.error ?? effect.error;
  return (
    <section>
      <div className="checklist-head">
        <h2>Rules</h2>
        <span className="grow" />
        {isChanged && (
          <Button
            onClick={() => {
              setRules(all.rules);
              effect.reset();
            }}
          >
            Leave as it was
          </Button>
        )}
        {effect.data ? (
          <Button type="primary" loading={save.isPending} onClick={() => save.mutate()}>
            Save
          </Button>
        ) : (
          <Button
            type="primary"
            disabled={!isChanged}
            loading={effect.isPending}
            onClick={() => effect.mutate()}
          >
            See the effect
          </Button>
        )}
      </div>
      {error && <Alert type="error" title={wordsOf(error)} className="set-up-alert" />}
      {effect.data && (
        <Alert
          type="info"
          className="set-up-alert"
          title={`${effect.data.due === 1 ? "1 file" : `${effect.data.due} files`} could leave at once; now ${all.dueCount} can. Nothing is destroyed by itself.`}
        />
      )}
      <Periods
        start="Files of"
        keep="are kept for"
        add="Add a kind"
        known={kinds.map(({ code, plural }) => ({ code, label: plural }))}
        periods={rules.kinds}
        onChange={(next) => change({ kinds: next })}
      />
      <p className="muted">Files of other kinds are kept without end.</p>
      <Periods
        start="A file with a paper of type"
        keep="is kept for at least"
        add="Add a document type"
        known={types}
        periods={rules.types}
        onChange={(next) => change({ types: next })}
      />
    </section>
  );
}

function Periods({
  start,
  keep,
  add,
  known,
  periods,
  onChange,
}: {
  start: string;
  keep: string;
  add: string;
  known: Known[];
  periods: KeepingPeriods["kinds"];
  onChange: (periods: KeepingPeriods["kinds"]) => void;
}) {
  const labels = new Map(known.map((one) => [one.code, one.label]));
  const left = known.filter((one) => !periods.some((p) => p.code === one.code));
  return (
    <ul className="keeping-rules">
      {periods.map((period) => {
        const label = labels.get(period.code) ?? period.code;
        return (
          <li key={period.code}>
            {start} <strong>{label}</strong> {keep}{" "}
            <InputNumber
              size="small"
              aria-label={`Months for ${label}`}
              min={0}
              max={1200}
              precision={0}
              value={period.months}
              onChange={(months) =>
                onChange(periods.map((p) => (p.code === period.code ? { ...p, months: months ?? 0 } : p)))
              }
            />{" "}
            months{inYears(period.months)} after the person's last day.
            <Button
              type="text"
              size="small"
              icon={<DeleteOutlined />}
              aria-label={`Remove the rule for ${label}`}
              onClick={() => onChange(periods.filter((p) => p.code !== period.code))}
            />
          </li>
        );
      })}
      {left.length > 0 && (
        <li>
          <Select
            size="small"
            aria-label={add}
            placeholder={add}
            showSearch={{ optionFilterProp: "label" }}
            popupMatchSelectWidth={false}
            value={null}
            onChange={(code: string | null) => code && onChange([...periods, { code, months: 12 }])}
            options={left.map((one) => ({ value: one.code, label: one.label }))}
          />
        </li>
      )}
    </ul>
  );
}

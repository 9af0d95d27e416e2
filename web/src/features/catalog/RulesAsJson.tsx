import { useMutation, useQueryClient } from "@tanstack/react-query";
import { Alert, Button, Input, Table } from "antd";
import { useState } from "react";
import { answer, api, Problem, wordsOf } from "../../api/client";

/** Types and checklists as open JSON: taken out as they are in force, and brought in after a look. */
export function RulesAsJson() {
  const [json, setJson] = useState("");
  const queries = useQueryClient();
  const look = useMutation({
    mutationFn: () =>
      answer(api.POST("/api/set-up/rules", { params: { query: { apply: false } }, body: { json } })),
  });
  const take = useMutation({
    mutationFn: () =>
      answer(api.POST("/api/set-up/rules", { params: { query: { apply: true } }, body: { json } })),
    onSuccess: () => queries.invalidateQueries(),
  });
  const fill = useMutation({
    mutationFn: () => answer(api.GET("/api/set-up/rules")),
    onSuccess: (rules) => setJson(JSON.stringify(rules, null, 1)),
  });
  const result = take.data ?? look.data;
  const problem = take.error ?? look.error ?? fill.error;
  return (
    <section className="set-up-body wide" aria-label="Rules as JSON">
      <div className="checklist-head">
        <h2>Rules as JSON</h2>
        <span className="grow" />
        <Button loading={fill.isPending} onClick={() => fill.mutate()}>
          Show the rules in force
        </Button>
        <a href="/api/set-up/rules" download="rules.json">
          <Button>Download</Button>
        </a>
        <Button
          type="primary"
          disabled={!json.trim()}
          loading={look.isPending}
          onClick={() => {
            take.reset();
            look.mutate();
          }}
        >
          See what it would bring
        </Button>
      </div>
      <Input.TextArea
        aria-label="Rules as JSON"
        rows={16}
        spellCheck={false}
        value={json}
        placeholder={'{"documentTypes": [...], "checklists": [...]}'}
        onChange={(e) => setJson(e.target.value)}
      />
      {problem && (
        <Alert
          type="error"
          className="set-up-alert"
          title={wordsOf(problem)}
          description={
            problem instanceof Problem ? problem.fields[0]?.field.replace(/^json/, "At ") : undefined
          }
        />
      )}
      {result && (
        <>
          <p className="import-sum">
            <span>
              {result.lines.filter((l) => l.outcome !== "same").length} of {result.lines.length} are new or
              changed
            </span>
            <span className="grow" />
            {result.applied ? (
              <span>Taken. Files are recomputed now.</span>
            ) : (
              <Button type="primary" loading={take.isPending} onClick={() => take.mutate()}>
                Take them in
              </Button>
            )}
          </p>
          <Table
            size="small"
            rowKey={(line) => line.what + line.code}
            pagination={false}
            dataSource={result.lines.filter((l) => l.outcome !== "same")}
            columns={[
              { title: "What", dataIndex: "what", width: 120 },
              { title: "Code", dataIndex: "code" },
              { title: "Outcome", dataIndex: "outcome", width: 140 },
            ]}
          />
        </>
      )}
    </section>
  );
}

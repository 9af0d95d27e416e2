import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Alert, Button, Select, Table, Upload } from "antd";
import { useState } from "react";
import { Link } from "react-router";
import { csrfToken, problemOf, type Shape, wordsOf } from "../../api/client";
import { setUpKindsOptions } from "./setUpQueries";

type Result = Shape<"PeopleImport">;

async function send(file: File, kind: string | undefined, apply: boolean): Promise<Result> {
  const form = new FormData();
  form.append("file", file);
  const response = await fetch(`/api/set-up/people?apply=${apply}${kind ? `&kind=${kind}` : ""}`, {
    method: "POST",
    body: form,
    headers: { "X-XSRF-TOKEN": csrfToken() },
  });
  if (!response.ok) {
    throw problemOf(response.status, await response.text());
  }
  return response.json();
}

const OUTCOMES: Record<string, { words: string; tone: string }> = {
  new: { words: "new file", tone: "juniper" },
  exists: { words: "has a file", tone: "muted" },
  refused: { words: "refused", tone: "clay" },
};

/** New files from a list; what each line does is shown before anything happens. */
export function ImportPeople() {
  const [file, setFile] = useState<File | null>(null);
  const known = useQuery(setUpKindsOptions);
  const kinds = known.data ?? [];
  const [other, setOther] = useState<string>();
  const kind = other ?? kinds[0]?.code;
  const queries = useQueryClient();
  const look = useMutation({ mutationFn: (chosen: File) => send(chosen, kind, false) });
  const take = useMutation({
    mutationFn: (chosen: File) => send(chosen, kind, true),
    onSuccess: () => queries.invalidateQueries(),
  });
  const result = take.data ?? look.data;
  return (
    <section className="set-up-body wide" aria-label="People from a list">
      <div className="checklist-head">
        <h2>People from a list</h2>
      </div>
      <p className="muted">
        A CSV file in UTF-8 whose first line names its columns: kind, given name, family name, birth date,
        mail, team, active from, and any facts by their names. Days are written 2026-11-25. At most 5,000
        lines.
      </p>
      <p>
        Address cards (vCard) become{" "}
        <Select
          aria-label="What cards become"
          value={kind}
          onChange={setOther}
          options={kinds.map((k) => ({ value: k.code, label: k.plural.toLowerCase() }))}
          style={{ minWidth: 140 }}
        />
      </p>
      <Upload.Dragger
        disabled={known.isPending}
        accept=".csv,text/csv,.vcf,text/vcard"
        maxCount={1}
        showUploadList={false}
        beforeUpload={(chosen) => {
          setFile(chosen);
          take.reset();
          look.mutate(chosen);
          return false;
        }}
      >
        <p>
          <strong>{file ? file.name : "Drop the list here, or click to choose it"}</strong>
        </p>
        <p className="muted">Nothing is made before you have seen what would be.</p>
      </Upload.Dragger>
      {(look.error ?? take.error) && (
        <Alert type="error" title={wordsOf(look.error ?? take.error)} className="set-up-alert" />
      )}
      {result && (
        <>
          <p className="import-sum">
            <strong className="juniper">{result.fresh} new</strong>
            <span>{result.existing} have a file already</span>
            <span className={result.refused ? "clay" : undefined}>{result.refused} refused</span>
            <span className="grow" />
            {result.applied ? (
              <span>
                Made. <Link to="/files?sort=activity">Look at the files</Link>
              </span>
            ) : (
              <Button
                type="primary"
                disabled={result.fresh === 0 || !file}
                loading={take.isPending}
                onClick={() => file && take.mutate(file)}
              >
                Make {result.fresh} {result.fresh === 1 ? "file" : "files"}
              </Button>
            )}
          </p>
          <Table
            size="small"
            rowKey="line"
            pagination={{ pageSize: 100, hideOnSinglePage: true }}
            dataSource={result.lines}
            columns={[
              { title: "Line", dataIndex: "line", width: 64 },
              { title: "Person", dataIndex: "name", width: 240 },
              {
                title: "What happens",
                dataIndex: "outcome",
                width: 130,
                render: (outcome: string) => (
                  <span className={OUTCOMES[outcome]?.tone}>{OUTCOMES[outcome]?.words}</span>
                ),
              },
              { title: "Why", dataIndex: "words" },
            ]}
          />
        </>
      )}
    </section>
  );
}

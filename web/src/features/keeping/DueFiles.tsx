import { useMutation, useQueryClient } from "@tanstack/react-query";
import { Alert, App, Button, Checkbox, Modal, Table } from "antd";
import { useState } from "react";
import { Link } from "react-router";
import { answer, api, wordsOf } from "../../api/client";
import { day } from "../../ui/days";
import { HoldModal } from "./KeepingHold";
import type { DueFile, KeepingAll } from "./keepingQueries";

const counted = (count: number, one: string) => `${count} ${one}${count === 1 ? "" : "s"}`;

/** Files that have been kept for as long as the rules ask: looked at, then held or destroyed. */
export function DueFiles({ all }: { all: KeepingAll }) {
  const [chosen, setChosen] = useState<string[]>([]);
  const [asks, setAsks] = useState(false);
  const [holds, setHolds] = useState<string>();
  const files = all.due.filter((file) => chosen.includes(file.id));
  return (
    <section>
      <div className="checklist-head">
        <h2>Ready to destroy</h2>
        <span className="muted">
          {all.dueCount === 0
            ? "No file has been kept for as long as the rules ask."
            : `${counted(all.dueCount, "file")} ${all.dueCount === 1 ? "has" : "have"} been kept for as long as the rules ask.`}
        </span>
        <span className="grow" />
        {all.dueCount > 0 && (
          <Button danger disabled={files.length === 0} onClick={() => setAsks(true)}>
            {files.length === 0 ? "Destroy" : `Destroy ${counted(files.length, "file")}`}
          </Button>
        )}
      </div>
      {all.due.length > 0 && (
        <Table<DueFile>
          size="small"
          rowKey="id"
          dataSource={all.due}
          pagination={all.due.length > 20 ? { pageSize: 20, showSizeChanger: false } : false}
          rowSelection={{
            selectedRowKeys: files.map((file) => file.id),
            onChange: (keys) => setChosen(keys.map(String)),
            getCheckboxProps: (file) => ({ "aria-label": `Choose ${file.name}` }) as object,
          }}
          columns={[
            {
              title: "File",
              render: (_, file) => (
                <>
                  <Link to={`/files/${file.id}`}>{file.name}</Link>{" "}
                  <span className="muted">{file.number}</span>
                </>
              ),
            },
            { title: "Last day", render: (_, file) => day(file.leftOn) },
            { title: "Kept until", render: (_, file) => day(file.keptUntil) },
            { title: "Rule", dataIndex: "rule" },
            { title: "Papers", dataIndex: "papers", align: "right" },
            {
              title: "Keep longer",
              align: "right",
              render: (_, file) => (
                <Button size="small" aria-label={`Hold ${file.name}`} onClick={() => setHolds(file.id)}>
                  Hold
                </Button>
              ),
            },
          ]}
        />
      )}
      {all.dueCount > all.due.length && (
        <p className="muted">The {all.due.length} that left first are shown; the others follow.</p>
      )}
      {asks && <DestroyModal files={files} onClose={() => setAsks(false)} onDone={() => setChosen([])} />}
      {holds && <HoldModal fileId={holds} onClose={() => setHolds(undefined)} />}
    </section>
  );
}

function DestroyModal({
  files,
  onClose,
  onDone,
}: {
  files: DueFile[];
  onClose: () => void;
  onDone: () => void;
}) {
  const [sure, setSure] = useState(false);
  const { message } = App.useApp();
  const queries = useQueryClient();
  const papers = files.reduce((sum, file) => sum + file.papers, 0);
  const destroy = useMutation({
    mutationFn: () =>
      answer(api.POST("/api/keeping/destruction", { body: { files: files.map((file) => file.id) } })),
    onSuccess: () => {
      message.success("The files are being destroyed. The certificate follows below.");
      queries.invalidateQueries();
      onDone();
      onClose();
    },
  });
  return (
    <Modal
      open
      title={`Destroy ${counted(files.length, "file")} for good`}
      onCancel={onClose}
      okText={`Destroy ${counted(files.length, "file")}`}
      okButtonProps={{ danger: true, disabled: !sure, loading: destroy.isPending }}
      onOk={() => destroy.mutate()}
      width={520}
    >
      <p>
        {files
          .slice(0, 5)
          .map((file) => file.name)
          .join(", ")}
        {files.length > 5 ? ` and ${files.length - 5} more` : ""}: {counted(papers, "paper")} and all that is
        known of {files.length === 1 ? "this person" : "these people"}.{" "}
        <strong>Nobody can bring that back.</strong>
      </p>
      <p className="muted">
        What stays: a certificate without names, and the trail, which cannot forget. Copies that were sent
        out, and back-ups, are not reached.
      </p>
      <Checkbox checked={sure} onChange={(e) => setSure(e.target.checked)}>
        I have looked at what is destroyed, and it can go.
      </Checkbox>
      {destroy.error && <Alert type="error" title={wordsOf(destroy.error)} className="keeping-alert" />}
    </Modal>
  );
}

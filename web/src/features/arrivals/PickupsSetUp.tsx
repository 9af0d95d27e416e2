import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Alert, App, Button, Checkbox, Input, InputNumber, Radio, Select, Space } from "antd";
import { useState } from "react";
import { api, done, fieldWords, type Shape, wordsOf } from "../../api/client";
import { DraftNote } from "../../ui/DraftNote";
import { useDraft } from "../../ui/drafts";
import { Loaded } from "../../ui/Quiet";
import { typesOptions } from "../catalog/typeQueries";
import { CoverSheetModal } from "./CoverSheetModal";
import { demoScannerOptions, pickupsOptions, useDesk } from "./deskQueries";

type Desk = Shape<"DeskDetails">;

const NEW: Desk = {
  name: "",
  splitBlank: false,
  splitCounts: false,
  splitEvery: 0,
  dropBlank: false,
  filesCovers: false,
  pauseSeconds: 2,
};

/** The folders that scanners save into: one for each desk, with what is known beforehand of its papers. */
export function PickupsSetUp() {
  const pickups = useQuery(pickupsOptions);
  const [covers, setCovers] = useState(false);
  const [adds, setAdds] = useState(false);
  return (
    <section className="set-up-body wide" aria-label="Pickups">
      <div className="checklist-head">
        <h2>Pickups</h2>
        <span className="grow" />
        <Button href="/api/cover-sheets/separator" target="_blank">
          Separator sheet
        </Button>
        <Button onClick={() => setCovers(true)}>Cover sheets</Button>
        <Button type="primary" onClick={() => setAdds(true)}>
          New desk
        </Button>
      </div>
      <p className="muted">
        A scanner or a print driver saves into the folder of a desk. What is saved there leaves the folder
        once it is safely stored, and goes to the file that is open at that desk, else to Arrivals. The
        original waits in “taken” beside it for some days.
      </p>
      <CoverSheetModal open={covers} onClose={() => setCovers(false)} />
      {adds && <DeskForm desk={NEW} isNew onSaved={() => setAdds(false)} />}
      <Loaded query={pickups}>
        {(all) => (
          <>
            {all.map((desk) => (
              <DeskForm key={desk.details.name} desk={desk.details} folder={desk.folder} />
            ))}
          </>
        )}
      </Loaded>
    </section>
  );
}

/** In the demo, papers can be scanned without a scanner. */
function TryScanner({ desk }: { desk: string }) {
  const scanner = useQuery(demoScannerOptions).data;
  const { message } = App.useApp();
  const scan = useMutation({
    mutationFn: (stack: boolean) => done(api.POST("/api/demo/scanner", { body: { desk, stack } })),
    onSuccess: () =>
      message.info("The demo’s scanner begins; the papers show up in Arrivals within a minute."),
    onError: (error) => message.error(wordsOf(error)),
  });
  if (!scanner?.there) {
    return null;
  }
  return (
    <Space style={{ marginBottom: 8 }}>
      <span className="muted">Demo’s scanner:</span>
      <Button size="small" onClick={() => scan.mutate(false)}>
        Scan three papers
      </Button>
      <Button size="small" onClick={() => scan.mutate(true)}>
        Scan a stack
      </Button>
    </Space>
  );
}

type DeskFormProps = { desk: Desk; folder?: string; isNew?: boolean; onSaved?: () => void };

function DeskForm({ desk, folder, isNew = false, onSaved }: DeskFormProps) {
  const drafting = useDraft(`desk ${desk.name}`, desk, JSON.stringify(desk));
  const { value: draft, set: setDraft } = drafting;
  const [here, setHere] = useDesk();
  const types = useQuery(typesOptions).data ?? [];
  const { message } = App.useApp();
  const queries = useQueryClient();
  const change = (part: Partial<Desk>) => setDraft({ ...draft, ...part });
  const save = useMutation({
    mutationFn: () => done(api.PUT("/api/set-up/pickups", { body: draft })),
    onSuccess: async () => {
      message.success("Saved.");
      drafting.discard();
      await queries.invalidateQueries({ queryKey: ["set-up", "pickups"] });
      await queries.invalidateQueries({ queryKey: ["desks"] });
      onSaved?.();
    },
  });
  const id = `desk-${desk.name || "new"}`;
  const tick = (name: "splitCounts" | "splitBlank" | "dropBlank" | "filesCovers", words: string) => (
    <Checkbox checked={draft[name]} onChange={(e) => change({ [name]: e.target.checked })}>
      {words}
    </Checkbox>
  );
  return (
    <article className="desk-card" aria-label={desk.name || "New desk"}>
      <div className="checklist-head">
        {isNew ? (
          <Input
            aria-label="Name of the desk"
            placeholder="Name of the desk, such as Front desk"
            value={draft.name}
            onChange={(e) => change({ name: e.target.value })}
            style={{ maxWidth: 320 }}
          />
        ) : (
          <h3>{desk.name}</h3>
        )}
        <span className="grow" />
        {!isNew && (
          <Radio checked={here === desk.name} onClick={() => setHere(here === desk.name ? "" : desk.name)}>
            this browser stands here
          </Radio>
        )}
        <Button disabled={!drafting.isChanged} loading={save.isPending} onClick={() => save.mutate()}>
          Save
        </Button>
      </div>
      {folder && <code className="folder">{folder}</code>}
      {folder && <TryScanner desk={desk.name} />}
      {save.error && (
        <Alert
          type="error"
          title={fieldWords(save.error, "name") ?? wordsOf(save.error)}
          className="set-up-alert"
        />
      )}
      <DraftNote draft={drafting} />
      <div className="desk-fields">
        <label htmlFor={`${id}-type`}>Its papers are mostly</label>
        <Select
          id={`${id}-type`}
          allowClear
          placeholder="of any type"
          value={draft.type ?? undefined}
          onChange={(type) => change({ type })}
          options={types.map((t) => ({ value: t.code, label: t.label }))}
          showSearch={{ optionFilterProp: "label" }}
        />
        <label htmlFor={`${id}-note`}>Note with each paper</label>
        <Input
          id={`${id}-note`}
          placeholder="none"
          value={draft.description ?? ""}
          onChange={(e) => change({ description: e.target.value || undefined })}
        />
        <label htmlFor={`${id}-source`}>What stands there</label>
        <Input
          id={`${id}-source`}
          placeholder="such as: scanner by the door, 600 pages an hour"
          value={draft.source ?? ""}
          onChange={(e) => change({ source: e.target.value || undefined })}
        />
        <label htmlFor={`${id}-pause`}>A file is taken</label>
        <span>
          <InputNumber
            id={`${id}-pause`}
            size="small"
            min={1}
            max={600}
            value={draft.pauseSeconds}
            onChange={(n) => change({ pauseSeconds: n ?? 1 })}
          />{" "}
          seconds after it was last written to; longer for a scanner that pauses within a file
        </span>
        <span>A new paper begins</span>
        <div className="desk-signs">
          <span className="muted">at a cover or separator sheet, and</span>
          {tick("splitCounts", "where a page says “page 1 of …”")}
          {tick("splitBlank", "after an empty page")}
          <span>
            every{" "}
            <InputNumber
              size="small"
              min={0}
              max={1000}
              aria-label="Pages of one paper"
              value={draft.splitEvery}
              onChange={(n) => change({ splitEvery: n ?? 0 })}
            />{" "}
            pages (0: never)
          </span>
          {tick("dropBlank", "empty back sides are left out")}
        </div>
        <span>Without being asked</span>
        {tick(
          "filesCovers",
          "papers whose cover sheet names person and type, and whose date is sure, are filed",
        )}
      </div>
    </article>
  );
}

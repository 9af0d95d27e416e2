import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Alert, App, Button, Upload } from "antd";
import { useState } from "react";
import { answer, api, done, wordsOf } from "../../api/client";
import { Loaded } from "../../ui/Quiet";
import "./beginning.css";

const setsOptions = { queryKey: ["set-up", "sets"], queryFn: () => answer(api.GET("/api/set-up/sets")) };

/** Ready-made kinds, types and checklists, of which one begins with some and adds others later. */
export function SetsSetUp() {
  const sets = useQuery(setsOptions);
  const [chosen, setChosen] = useState<string[]>([]);
  const { message } = App.useApp();
  const queries = useQueryClient();
  const add = useMutation({
    mutationFn: () => done(api.POST("/api/set-up/sets", { body: { codes: chosen } })),
    onSuccess: async () => {
      message.success("Added. Change under Checklists and Document types what is different with you.");
      setChosen([]);
      await queries.invalidateQueries();
    },
  });
  const take = useMutation({
    mutationFn: async (file: File) => {
      let body: Record<string, never>;
      try {
        body = JSON.parse(await file.text());
      } catch {
        throw new Error(`“${file.name}” is no JSON. Nothing was taken.`);
      }
      await done(api.POST("/api/set-up/whole", { body }));
    },
    onSuccess: async () => {
      message.success("Taken in. What was there has stayed.");
      await queries.invalidateQueries();
    },
    onError: (error) => message.error(wordsOf(error)),
  });
  return (
    <section className="set-up-body wide" aria-label="Ready-made sets">
      <div className="checklist-head">
        <h2>Ready-made sets</h2>
        <span className="grow" />
        <Upload
          accept=".json,application/json"
          showUploadList={false}
          beforeUpload={(file) => {
            take.mutate(file);
            return false;
          }}
        >
          <Button loading={take.isPending}>Take in a whole set-up</Button>
        </Upload>
        <Button href="/api/set-up/whole" download="set-up.json">
          Download the whole set-up
        </Button>
        <Button
          type="primary"
          disabled={chosen.length === 0}
          loading={add.isPending}
          onClick={() => add.mutate()}
        >
          Add what is chosen
        </Button>
      </div>
      <p className="muted">
        What your files are about and which papers each needs. A set adds to what is there and changes nothing
        of it.
      </p>
      {add.error && <Alert type="error" title={wordsOf(add.error)} className="set-up-alert" />}
      <Loaded query={sets}>
        {(all) => (
          <div className="ready-sets">
            {all.map((set) => (
              <label key={set.code}>
                <input
                  type="checkbox"
                  disabled={set.added}
                  checked={set.added || chosen.includes(set.code)}
                  onChange={(e) =>
                    setChosen(e.target.checked ? [...chosen, set.code] : chosen.filter((c) => c !== set.code))
                  }
                />
                <span>
                  <strong>{set.label}</strong> {set.added && <span className="juniper">added</span>}
                  <p>{set.words}</p>
                  <span className="muted">{set.papers.join(", ")}</span>
                </span>
              </label>
            ))}
          </div>
        )}
      </Loaded>
    </section>
  );
}

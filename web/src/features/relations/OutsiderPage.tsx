import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Alert, App, Button, Form, Input } from "antd";
import { Link, useParams } from "react-router";
import { answer, api, type Shape, wordsOf } from "../../api/client";
import { DraftNote } from "../../ui/DraftNote";
import { Loaded } from "../../ui/Quiet";
import { useFormDraft } from "../../ui/useFormDraft";
import { Where } from "../../ui/Where";
import { useMayChange } from "../asof/asOf";
import { OutsiderFields } from "./RelationModal";
import { outsiderOptions } from "./relationQueries";
import "./relations.css";

type Outsider = Shape<"OutsiderAnswer">;

/** Somebody without a file: how he is reached, and the people to whom he is something. */
export function OutsiderPage() {
  const { id = "" } = useParams();
  const outsider = useQuery(outsiderOptions(id));
  return (
    <div className="outsider-page">
      <Loaded query={outsider}>
        {(who) => (
          <>
            <Where>
              <Link to="/files">Files</Link> › <strong>{who.name}</strong>
            </Where>
            <h1>{who.name}</h1>
            <p className="muted">Without a file of their own</p>
            <div className="outsider-columns">
              <People outsider={who} />
              <Reach key={who.id} outsider={who} />
            </div>
          </>
        )}
      </Loaded>
    </div>
  );
}

function People({ outsider }: { outsider: Outsider }) {
  return (
    <section className="relations" aria-label="People">
      <ul className="plain-list">
        {outsider.relations.map((relation) => (
          <li key={relation.id}>
            <span className="muted">{relation.words}</span>
            <span>
              <Link to={`/files/${relation.fileId}`}>
                <strong>{relation.name}</strong>
              </Link>{" "}
              <span className="muted tabular">
                {[relation.number, relation.note].filter(Boolean).join(" · ")}
              </span>
            </span>
          </li>
        ))}
      </ul>
      {outsider.relations.length === 0 && (
        <p className="muted">Nobody whose file you may see is related to {outsider.name} any more.</p>
      )}
    </section>
  );
}

function Reach({ outsider }: { outsider: Outsider }) {
  const mayChange = useMayChange();
  const { message } = App.useApp();
  const queries = useQueryClient();
  const { id, version, name, organisation, email, phone } = outsider;
  const { draft, props, show } = useFormDraft<Shape<"OutsiderDetails">>(
    `outsider ${id}`,
    { name, organisation, email, phone },
    version,
  );
  const save = useMutation({
    mutationFn: (details: Shape<"OutsiderDetails">) =>
      answer(
        api.PUT("/api/outsiders/{id}", {
          params: { path: { id: outsider.id } },
          body: { version: draft.version, details },
        }),
      ),
    onSuccess: () => {
      message.success("Saved, for all these people.");
      draft.discard();
      queries.invalidateQueries({ queryKey: ["files"] });
    },
  });
  return (
    <Form layout="vertical" requiredMark={false} disabled={!mayChange} {...props} onFinish={save.mutate}>
      <DraftNote draft={draft} onDiscard={show} />
      <Form.Item
        label="Name"
        name="name"
        rules={[{ required: true, whitespace: true, message: "A name is needed." }]}
      >
        <Input maxLength={120} />
      </Form.Item>
      <OutsiderFields error={save.error} />
      {save.error && <Alert type="error" title={wordsOf(save.error)} style={{ marginBottom: 12 }} />}
      <Button htmlType="submit" type="primary" loading={save.isPending}>
        Save
      </Button>
    </Form>
  );
}

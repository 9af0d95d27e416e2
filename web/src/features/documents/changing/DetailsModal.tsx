import { useQuery, useQueryClient } from "@tanstack/react-query";
import { Alert, Button, Form, Input, Modal } from "antd";
import { useEffect, useState } from "react";
import { api, done, fieldWords, type Shape, wordsOf } from "../../../api/client";
import { DayField } from "../../../ui/DayField";
import { DraftNote } from "../../../ui/DraftNote";
import { useDraft } from "../../../ui/drafts";
import { meOptions } from "../../access/sessionQueries";
import { FurtherTypes, TypePicker } from "../../catalog/TypePicker";
import { typesOptions } from "../../catalog/typeQueries";
import { isWholly, SignedOnPaper } from "../../signing/SignedOnPaper";
import { usePaperAction } from "../usePaperAction";

type Paper = Shape<"DocumentAnswer">;

/** While it is open the hold is renewed this often, in milliseconds; it ends by itself half an hour after the last time. */
const RENEWED = 60_000;

/** Changes what is said of a paper. While it is open nobody else can change the paper. */
export function DetailsModal({ paper, onClose }: { paper: Paper; onClose: () => void }) {
  const hold = useHold(paper.id);
  const drafting = useDraft(
    `details of ${paper.id}`,
    {
      type: paper.type,
      furtherTypes: paper.furtherTypes.map((t) => t.code),
      documentDate: paper.documentDate as string | null,
      effectiveDate: paper.effectiveDate as string | null | undefined,
      statedExpiry: paper.statedExpiry as string | null | undefined,
      fields: paper.fields as Record<string, string>,
      description: paper.description ?? "",
      signedOnPaper: paper.signatures
        .filter((s) => s.seenBy != null)
        .map(({ role, signer, signedOn }) => ({ role, signer, signedOn })),
    },
    paper.changes,
  );
  const draft = drafting.value;
  const types = useQuery(typesOptions).data ?? [];
  const fields = [
    ...new Set(
      [draft.type, ...draft.furtherTypes].flatMap((t) => types.find((k) => k.code === t)?.fields ?? []),
    ),
  ];
  const given = new Set(paper.signatures.filter((s) => s.seenBy == null).map((s) => s.role));
  // those given in this product are not said again
  const signers = types
    .filter((k) => [draft.type, ...draft.furtherTypes].includes(k.code))
    .flatMap((k) => k.signers)
    .filter((s, i, all) => all.findIndex((o) => o.role === s.role) === i && !given.has(s.role));
  const act = usePaperAction();
  const problem = act.error;
  const set = (part: Partial<typeof draft>) => drafting.set((before) => ({ ...before, ...part }));
  const told = (field: string) => {
    const words = fieldWords(problem, field) ?? fieldWords(problem, `details.${field}`);
    return words ? { validateStatus: "error" as const, help: words } : {};
  };
  const save = () => {
    const { description, documentDate, ...details } = draft;
    if (!documentDate || !isWholly(draft.signedOnPaper)) {
      return;
    }
    const kept = Object.fromEntries(Object.entries(details.fields).filter(([name]) => fields.includes(name)));
    act.mutate({
      call: () =>
        api.PUT("/api/documents/{id}/details", {
          params: { path: { id: paper.id } },
          body: {
            changes: drafting.version,
            description,
            details: { ...details, fileId: paper.fileId, documentDate, fields: kept },
          },
        }),
      said: "Saved.",
      after: () => {
        drafting.discard();
        onClose();
      },
    });
  };
  return (
    <Modal
      title="Change details"
      open
      okText="Save"
      okButtonProps={{
        loading: act.isPending,
        disabled: hold.error !== undefined || !draft.documentDate || !isWholly(draft.signedOnPaper),
      }}
      onOk={save}
      onCancel={onClose}
      width={520}
    >
      {hold.error && (
        <Alert
          type="warning"
          title={hold.error}
          action={
            hold.mayLift && (
              <Button size="small" onClick={hold.lift}>
                Lift the hold
              </Button>
            )
          }
        />
      )}
      <DraftNote draft={drafting} />
      <Form layout="vertical" disabled={hold.error !== undefined}>
        <Form.Item label="Type" htmlFor="details-type" {...told("type")}>
          <TypePicker
            id="details-type"
            fileId={paper.fileId}
            value={draft.type}
            onChange={(type) => set({ type, furtherTypes: draft.furtherTypes.filter((t) => t !== type) })}
          />
        </Form.Item>
        <Form.Item label="Is also" htmlFor="details-further" {...told("furtherTypes")}>
          <FurtherTypes
            id="details-further"
            fileId={paper.fileId}
            besides={draft.type}
            value={draft.furtherTypes}
            onChange={(furtherTypes) => set({ furtherTypes })}
          />
        </Form.Item>
        <div className="form-grid">
          <Form.Item label="Dated" htmlFor="details-dated" {...told("documentDate")}>
            <DayField
              id="details-dated"
              value={draft.documentDate}
              onChange={(documentDate) => set({ documentDate })}
            />
          </Form.Item>
          <Form.Item label="Expires" htmlFor="details-expires" {...told("statedExpiry")}>
            <DayField
              id="details-expires"
              placeholder="if stated"
              value={draft.statedExpiry}
              onChange={(statedExpiry) => set({ statedExpiry })}
            />
          </Form.Item>
          <Form.Item label="Takes effect" htmlFor="details-effective" {...told("effectiveDate")}>
            <DayField
              id="details-effective"
              placeholder="with its date"
              value={draft.effectiveDate}
              onChange={(effectiveDate) => set({ effectiveDate })}
            />
          </Form.Item>
        </div>
        {fields.map((name) => (
          <Form.Item key={name} label={name} htmlFor={`details-field-${name}`}>
            <Input
              id={`details-field-${name}`}
              value={draft.fields[name] ?? ""}
              maxLength={200}
              onChange={(e) => set({ fields: { ...draft.fields, [name]: e.target.value } })}
            />
          </Form.Item>
        ))}
        {signers.length > 0 && (
          <Form.Item label="Signatures" {...told("signedOnPaper")}>
            <SignedOnPaper
              fileId={paper.fileId}
              signers={signers}
              value={draft.signedOnPaper}
              onChange={(signedOnPaper) => set({ signedOnPaper })}
              otherwise={draft.documentDate}
            />
          </Form.Item>
        )}
        <Form.Item label="Description" htmlFor="details-description">
          <Input.TextArea
            id="details-description"
            rows={2}
            maxLength={1000}
            value={draft.description}
            onChange={(e) => set({ description: e.target.value })}
          />
        </Form.Item>
      </Form>
    </Modal>
  );
}

/** Holds the paper from the opening of the dialog to its closing. */
function useHold(id: string) {
  const [error, setError] = useState<string>();
  const [round, setRound] = useState(0);
  const queries = useQueryClient();
  const mayLift = useQuery(meOptions).data?.role === "ADMINISTRATOR";
  const params = { path: { id } };
  // biome-ignore lint/correctness/useExhaustiveDependencies: a lifted hold is taken in another round
  useEffect(() => {
    const take = () =>
      done(api.POST("/api/documents/{id}/hold", { params: { path: { id } } }))
        .then(() => setError(undefined))
        .catch((refused) => setError(wordsOf(refused)));
    take();
    const timer = setInterval(take, RENEWED);
    return () => {
      clearInterval(timer);
      api
        .DELETE("/api/documents/{id}/hold", { params: { path: { id } } })
        .finally(() => queries.invalidateQueries({ queryKey: ["files", "document", id] }));
    };
  }, [id, queries, round]);
  const lift = () =>
    done(api.POST("/api/documents/{id}/lift-hold", { params }))
      .then(() => setRound(round + 1))
      .catch((refused) => setError(wordsOf(refused)));
  return { error, mayLift, lift };
}

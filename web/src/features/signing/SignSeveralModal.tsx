import { useMutation, useQueries, useQuery } from "@tanstack/react-query";
import { Alert, Form, Modal } from "antd";
import { useState } from "react";
import { useNavigate } from "react-router";
import { answer, api, type Shape, wordsOf } from "../../api/client";
import { documentOptions } from "../documents/documentQueries";
import { PaperNames } from "../documents/PaperNames";
import { SignerName } from "./SignerName";
import { proposedSignersOptions } from "./signerQueries";

type Paper = Shape<"DocumentAnswer">;

/** Starts the signing of several papers at this desk; they are laid before the signers one after the other. */
export function SignSeveralModal({
  papers,
  file,
  onClose,
}: {
  papers: { id: string; name: string }[];
  file: Shape<"FileAnswer">;
  onClose: () => void;
}) {
  const [typed, setTyped] = useState<Record<string, string>>({});
  const navigate = useNavigate();
  const full = useQueries({
    queries: papers.map(({ id }) => documentOptions(id)),
  }).flatMap((q) => (q.data ? [q.data] : []));
  const roles = new Map(full.flatMap((p) => p.unsignedBy).map((s) => [s.role, s.label]));
  const proposed = useQuery(proposedSignersOptions(file.id, [...roles.keys()])).data ?? [];
  const names: Record<string, string> = Object.fromEntries(
    [...roles.keys()].map((role) => [role, typed[role] ?? proposed.find((p) => p.role === role)?.name ?? ""]),
  );
  const start = useMutation({
    mutationFn: async () => {
      const begun: string[] = [];
      for (const paper of full) {
        begun.push(await begin(paper, names));
      }
      return begun;
    },
    onSuccess: ([first, ...then]) => {
      onClose();
      navigate(`/signing/${first}${then.length > 0 ? `?then=${then.join(",")}` : ""}`);
    },
  });
  const isComplete =
    full.length === papers.length && roles.size > 0 && [...roles.keys()].every((role) => names[role]?.trim());
  return (
    <Modal
      title={`Sign ${papers.length === 1 ? "1 paper" : `${papers.length} papers`} at the desk`}
      open
      okText={`Lay ${papers.length === 1 ? "it" : "them"} before the signers`}
      okButtonProps={{ disabled: !isComplete, loading: start.isPending }}
      onOk={() => start.mutate()}
      onCancel={onClose}
      width={460}
    >
      <PaperNames names={papers.map((p) => p.name)} />
      <Form layout="vertical">
        {[...roles].map(([role, label]) => (
          <Form.Item key={role} label={label} htmlFor={`several-${role}`}>
            <SignerName
              id={`several-${role}`}
              file={file}
              value={names[role] ?? ""}
              onChange={(name) => setTyped({ ...typed, [role]: name })}
            />
          </Form.Item>
        ))}
      </Form>
      {start.error && <Alert type="error" title={wordsOf(start.error)} />}
    </Modal>
  );
}

/** Begins the signing of a paper, on its last page, side by side; one that was begun already goes on. */
async function begin(paper: Paper, names: Record<string, string>): Promise<string> {
  const open = await answer(
    api.GET("/api/documents/{documentId}/desk-signings/open", {
      params: { path: { documentId: paper.id } },
    }),
  );
  if (open.id) {
    return open.id;
  }
  const page = paper.versions[paper.versions.length - 1]?.pages ?? 1;
  const signers = paper.unsignedBy.map(({ role }, i) => ({
    role,
    signer: names[role]?.trim() ?? "",
    page,
    left: 0.08 + (i % 3) * 0.3,
    top: 0.8 + Math.floor(i / 3) * 0.06,
  }));
  const { id } = await answer(
    api.POST("/api/documents/{documentId}/desk-signings", {
      params: { path: { documentId: paper.id } },
      body: { version: paper.versions.length, signers },
    }),
  );
  return id;
}

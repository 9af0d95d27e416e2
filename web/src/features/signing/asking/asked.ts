import type { Shape } from "../../../api/client";

export type Candidate = Shape<"Candidate">;
export type FieldKind = Shape<"AskedField">["kind"];

/** Somebody who is asked; whoever has the same step is asked at the same time. */
export type AskedSigner = {
  key: string;
  task: "APPROVE" | "SIGN";
  role: string;
  label: string;
  name: string;
  email: string;
  accountId?: string;
  /** Together with the one before. */
  together: boolean;
};

export type AskedField = {
  key: string;
  paperId: string;
  signer: string;
  kind: FieldKind;
  page: number;
  left: number;
  top: number;
  label: string;
  required: boolean;
  /** By what it was proposed, until somebody touched it. */
  why?: string;
};

export const KINDS: { kind: FieldKind; label: string; width: number; height?: number }[] = [
  { kind: "SIGNATURE", label: "Signature", width: 0.28 },
  { kind: "INITIALS", label: "Initials", width: 0.1, height: 0.022 },
  { kind: "DATE", label: "Day", width: 0.2, height: 0.022 },
  { kind: "NAME", label: "Name", width: 0.25, height: 0.022 },
  { kind: "TEXT", label: "Text", width: 0.3, height: 0.022 },
  { kind: "TICK", label: "Tick", width: 0.03, height: 0.021 },
];

export const kindOf = (kind: FieldKind) => KINDS.find((k) => k.kind === kind) ?? KINDS[0];

/** Those proposed by the roles of the papers; a role for which nobody fits stays without a name. */
export function proposedSigners(proposal: Shape<"Proposal">): AskedSigner[] {
  const roles =
    proposal.roles.length > 0
      ? proposal.roles
      : [{ role: "signer", label: "signer", proposed: null as number | null | undefined }];
  return roles.map(({ role, label, proposed }, i) => {
    const candidate = proposed == null ? undefined : proposal.candidates[proposed];
    return {
      key: `${role}-${i}`,
      task: "SIGN" as const,
      role,
      label,
      name: candidate?.name ?? "",
      email: candidate?.email ?? "",
      accountId: candidate?.accountId ?? undefined,
      together: false,
    };
  });
}

/** Places that the words on the pages tell of, or that were kept from the last time. */
export function proposedFields(proposal: Shape<"Proposal">, signers: AskedSigner[]): AskedField[] {
  return proposal.fields.flatMap(({ paperId, field, why }, i) => {
    const signer = signers.find((s) => s.role === field.role);
    return signer
      ? [
          {
            key: `proposed-${i}`,
            paperId,
            signer: signer.key,
            kind: field.kind,
            page: field.page,
            left: field.left,
            top: field.top,
            label: field.label ?? "",
            required: field.required,
            why,
          },
        ]
      : [];
  });
}

/** The step of each: one more than the one before, unless it is asked together with that. */
export function stepsOf(signers: AskedSigner[]): number[] {
  let step = -1;
  return signers.map((signer, i) => {
    const before = signers[i - 1];
    if (!(signer.together && before && before.task === signer.task)) {
      step++;
    }
    return step;
  });
}

export function requestSigners(signers: AskedSigner[]): Shape<"AskedSigner">[] {
  const steps = stepsOf(signers);
  return signers.map((s, i) => ({
    step: steps[i] ?? 0,
    task: s.task,
    role: s.role || null,
    accountId: s.accountId ?? null,
    name: s.accountId ? null : s.name,
    email: s.accountId || s.email.trim() === "" ? null : s.email.trim(),
  }));
}

export function requestFields(fields: AskedField[], signers: AskedSigner[]): Shape<"AskedField">[] {
  return fields.flatMap((f) => {
    const signer = signers.findIndex((s) => s.key === f.signer);
    const kind = kindOf(f.kind);
    return signer < 0 || !kind
      ? []
      : [
          {
            paperId: f.paperId,
            signer,
            kind: f.kind,
            page: f.page,
            left: Math.min(Math.max(f.left, 0), 1 - kind.width),
            top: Math.min(Math.max(f.top, 0), 0.97),
            width: kind.width,
            height: kind.height ?? null,
            required: f.required,
            label: f.label.trim() || null,
          },
        ];
  });
}

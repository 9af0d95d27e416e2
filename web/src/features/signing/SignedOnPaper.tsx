import { useQuery } from "@tanstack/react-query";
import { Checkbox, Input } from "antd";
import type { Shape } from "../../api/client";
import { DayField } from "../../ui/DayField";
import { relationsOptions } from "../relations/relationQueries";
import { proposedSignersOptions } from "./signerQueries";
import "./signing.css";

export type OnPaper = Shape<"SignedOnPaper">;

type SignedOnPaperProps = {
  fileId?: string | null;
  /** The roles the paper's types ask for. */
  signers: Shape<"Signer">[];
  value: OnPaper[];
  onChange: (value: OnPaper[]) => void;
  /** The day that is proposed beside a signature, and where it was found. */
  found?: { day: string; reason: string };
  /** The day when none was found. */
  otherwise?: string | null;
};

/** Says which signatures stand on the paper itself, by whom and of which day, for who has looked at it. */
export function SignedOnPaper({ fileId, signers, value, onChange, found, otherwise }: SignedOnPaperProps) {
  const roles = signers.map((s) => s.role);
  const asked = useQuery(proposedSignersOptions(fileId ?? "", roles));
  const proposed = asked.data ?? [];
  const related = useQuery({ ...relationsOptions(fileId ?? ""), enabled: Boolean(fileId) }).data ?? [];
  const change = (role: string, part: Partial<OnPaper>) =>
    onChange(value.map((s) => (s.role === role ? { ...s, ...part } : s)));
  const tick = (role: string, isSigned: boolean) =>
    onChange(
      isSigned
        ? [
            ...value,
            {
              role,
              signer: proposed.find((p) => p.role === role)?.name ?? "",
              signedOn: found?.day ?? otherwise ?? "",
            },
          ]
        : value.filter((s) => s.role !== role),
    );
  return (
    <div className="signed-on-paper">
      {signers.map(({ role, label }) => {
        const signature = value.find((s) => s.role === role);
        return (
          <div key={role}>
            <Checkbox
              checked={signature !== undefined}
              // ticked before it is known who would sign, the name would stay empty
              disabled={asked.isLoading}
              onChange={(e) => tick(role, e.target.checked)}
            >
              signed on paper by the {label}
            </Checkbox>
            {signature && (
              <div className="signed-line">
                <Input
                  aria-label={`Name of the ${label} who signed`}
                  placeholder="full name"
                  list={`signers-${role}`}
                  maxLength={120}
                  value={signature.signer}
                  onChange={(e) => change(role, { signer: e.target.value })}
                />
                <datalist id={`signers-${role}`}>
                  {related
                    .filter((r) => !r.reverse)
                    .map((r) => (
                      <option key={r.id} value={r.name}>
                        {r.words}
                      </option>
                    ))}
                </datalist>
                <span>on</span>
                <DayField
                  label={`Day of the ${label}’s signature`}
                  value={signature.signedOn}
                  onChange={(day) => change(role, { signedOn: day ?? "" })}
                />
              </div>
            )}
          </div>
        );
      })}
      {found && <div className="why muted">the paper says {found.reason}</div>}
    </div>
  );
}

/** Whether each signature has a name and a day. */
export function isWholly(signatures: OnPaper[] | undefined): boolean {
  return (signatures ?? []).every((s) => s.signer.trim() !== "" && s.signedOn !== "");
}

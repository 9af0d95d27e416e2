import { useMutation, useQuery } from "@tanstack/react-query";
import { Alert, Button, Checkbox, Modal } from "antd";
import { useState } from "react";
import { useNavigate } from "react-router";
import { answer, api, type Shape, wordsOf } from "../../api/client";
import { Pages } from "../../ui/Pages";
import { Loaded } from "../../ui/Quiet";
import { SignerName } from "./SignerName";
import { proposedSignersOptions } from "./signerQueries";
import "./signing.css";

const BOX_WIDTH = 0.28;

type Chosen = {
  role: string;
  label: string;
  signer: string;
  signs: boolean;
  page: number;
  left: number;
  top: number;
};
type StartSigningModalProps = {
  paper: Shape<"DocumentAnswer">;
  file: Shape<"FileAnswer">;
  open: boolean;
  onClose: () => void;
};

/** Chooses who signs at this desk and where on the pages. */
export function StartSigningModal(props: StartSigningModalProps) {
  return (
    <Modal
      title="Sign at the desk"
      open={props.open}
      onCancel={props.onClose}
      footer={null}
      width={760}
      destroyOnHidden
    >
      {props.open && <Proposed {...props} />}
    </Modal>
  );
}

function firstChoice(
  paper: Shape<"DocumentAnswer">,
  proposed: Shape<"ProposedSigner">[],
  pages: number,
): Chosen[] {
  return paper.unsignedBy.map((signer, i) => ({
    role: signer.role,
    label: signer.label,
    signer: proposed.find((p) => p.role === signer.role)?.name ?? "",
    signs: true,
    page: pages,
    left: 0.1 + i * 0.45,
    top: 0.8,
  }));
}

/** Who signs follows age and relations; where nobody fits, the name is left to whoever is at the desk. */
function Proposed(props: StartSigningModalProps) {
  const { file, paper } = props;
  const proposed = useQuery(
    proposedSignersOptions(
      file.id,
      paper.unsignedBy.map((s) => s.role),
    ),
  );
  return <Loaded query={proposed}>{(signers) => <Start {...props} proposed={signers} />}</Loaded>;
}

function Start({
  paper,
  file,
  onClose,
  proposed,
}: StartSigningModalProps & { proposed: Shape<"ProposedSigner">[] }) {
  const latest = paper.versions[paper.versions.length - 1];
  const pages = latest?.pages ?? 1;
  const [signers, setSigners] = useState(() => firstChoice(paper, proposed, pages));
  const [active, setActive] = useState(signers[0]?.role);
  const navigate = useNavigate();
  const change = (role: string, part: Partial<Chosen>) =>
    setSigners((all) => all.map((s) => (s.role === role ? { ...s, ...part } : s)));
  const start = useMutation({
    mutationFn: () =>
      answer(
        api.POST("/api/documents/{documentId}/desk-signings", {
          params: { path: { documentId: paper.id } },
          body: {
            version: paper.versions.length,
            signers: signers
              .filter((s) => s.signs)
              .map(({ role, signer, page, left, top }) => ({ role, signer, page, left, top })),
          },
        }),
      ),
    onSuccess: ({ id }) => {
      onClose();
      navigate(`/signing/${id}`);
    },
  });
  return (
    <>
      <div className="place-picker">
        <div>
          {signers.map((s) => (
            <div key={s.role} style={{ marginBottom: 14 }}>
              <Checkbox checked={s.signs} onChange={(e) => change(s.role, { signs: e.target.checked })}>
                <strong>{s.label}</strong>
              </Checkbox>
              <SignerName
                file={file}
                aria-label={`Name of the ${s.label}`}
                value={s.signer}
                disabled={!s.signs}
                onFocus={() => setActive(s.role)}
                onChange={(signer) => change(s.role, { signer })}
              />
            </div>
          ))}
          <p className="muted">
            They sign one after the other. Click on a page to move the place of the chosen signer's signature.
          </p>
        </div>
        {/* biome-ignore lint/a11y/noNoninteractiveTabindex: a scrolling area must be reachable by keyboard */}
        <section className="page-desk" style={{ maxHeight: 430 }} tabIndex={0} aria-label="Pages to sign on">
          <Pages
            count={pages}
            width={380}
            name={paper.name}
            source={(page) => `/api/documents/${paper.id}/versions/${latest?.number}/pages/${page}?width=900`}
            onPageClick={(page, left, top) =>
              active &&
              change(active, { page, left: Math.min(left, 1 - BOX_WIDTH), top: Math.min(top, 0.92) })
            }
            over={(page) =>
              signers
                .filter((s) => s.signs && s.page === page)
                .map((s) => (
                  <div
                    key={s.role}
                    className={s.role === active ? "sign-place now" : "sign-place"}
                    style={{ left: `${s.left * 100}%`, top: `${s.top * 100}%`, width: `${BOX_WIDTH * 100}%` }}
                  >
                    {s.label}
                  </div>
                ))
            }
          />
        </section>
      </div>
      {start.error && <Alert type="error" title={wordsOf(start.error)} style={{ marginTop: 10 }} />}
      <div style={{ textAlign: "right", marginTop: 12 }}>
        <Button type="primary" loading={start.isPending} onClick={() => start.mutate()}>
          Lay it before them
        </Button>
      </div>
    </>
  );
}

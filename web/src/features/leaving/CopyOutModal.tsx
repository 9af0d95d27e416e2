import { Modal, Radio } from "antd";
import { useState } from "react";
import type { Shape } from "../../api/client";
import { ForSomebody } from "./ForSomebody";
import { ForUs, type ForUsWay } from "./ForUs";
import "./leaving.css";

/** What was asked for; whoever asks for it is still asked whom it is for. */
export type Wanted = "COPY" | "PORTAL" | ForUsWay;

export type CopyOutModalProps = {
  /** The file all of them lie in; undefined when they may lie in several. */
  fileId?: string | undefined;
  /** The same, where guests can be invited to it. */
  file?: Shape<"FileAnswer"> | undefined;
  papers: { id: string; name: string }[];
  wanted?: Wanted;
  /** What they are given as again and again; its name goes with the copies. */
  bundle?: { id: string; name: string };
  /** Whom it is for, where that is known. */
  to?: string;
  onClose: () => void;
};

/** The one way out: two questions before anything leaves. Who is it for, and what will they see? */
export function CopyOutModal(props: CopyOutModalProps) {
  const { papers, wanted = "COPY", onClose } = props;
  const [forUs, setForUs] = useState(wanted === "PRINT" || wanted === "ZIP");
  return (
    <Modal
      title={titleOf(props)}
      open
      width={forUs ? 560 : 920}
      style={{ top: 32 }}
      onCancel={onClose}
      footer={null}
    >
      {wanted !== "PORTAL" && (
        <div className="copy-whom">
          <span id="copy-whom">Who is it for?</span>
          <Radio.Group
            aria-labelledby="copy-whom"
            value={forUs}
            onChange={(e) => setForUs(e.target.value)}
            options={[
              { value: true, label: "for us, to work with" },
              { value: false, label: "for somebody else" },
            ]}
          />
        </div>
      )}
      {forUs ? (
        <ForUs papers={papers} first={wanted === "ZIP" ? "ZIP" : "PRINT"} onClose={onClose} />
      ) : (
        <ForSomebody {...props} wanted={wanted} />
      )}
    </Modal>
  );
}

function titleOf({ papers, wanted }: CopyOutModalProps): string {
  const what = papers.length === 1 ? `“${papers[0]?.name}”` : `${papers.length} papers`;
  if (wanted === "PRINT") {
    return `Print ${what}`;
  }
  if (wanted === "ZIP") {
    return `${what} as a ZIP`;
  }
  if (wanted === "PORTAL") {
    return `Share ${what}`;
  }
  return papers.length === 1 ? `A copy of ${what}` : `Copies of ${what}`;
}

import { App, Button } from "antd";
import { useState } from "react";
import { api, done, type Shape, wordsOf } from "../../../api/client";
import type { DocumentState } from "../../../ui/documentStates";
import { CopyOutModal, type Wanted } from "../../leaving/CopyOutModal";
import { NumberPagesModal } from "../../numbering/NumberPagesModal";
import { AskSeveral } from "../../signing/asking/AskSeveral";
import { SignSeveralModal } from "../../signing/SignSeveralModal";
import { ReasonModal } from "../ReasonModal";
import { usePaperAction } from "../usePaperAction";
import { SharedDetailsModal } from "./SharedDetailsModal";
import { ToFileModal } from "./ToFileModal";

/** As many as the server numbers at once. */
const MOST_NUMBERED = 2_000;

type ChosenBarProps = {
  papers: { id: string; name: string; state?: DocumentState; versions: number; changes: number }[];
  mayChange: boolean;
  /** The file all of them lie in; undefined when they may lie in several. */
  file?: Shape<"FileAnswer">;
  onClear: () => void;
  onAll?: () => void;
};

/** What can be done with several chosen papers at once. */
export function ChosenBar({ papers, mayChange, file, onClear, onAll }: ChosenBarProps) {
  const [dialog, setDialog] = useState<"details" | "file" | "send-back" | "sign" | "ask" | "number">();
  const [leaves, setLeaves] = useState<Wanted>();
  const { message } = App.useApp();
  const act = usePaperAction();
  const ids = papers.map((p) => p.id);
  const shown = papers.map(({ id, versions }) => ({ id, version: versions }));
  const inReview = papers.every((p) => p.state === "IN_REVIEW");
  const unsigned = papers.filter((p) => p.state === "UNSIGNED");
  const close = () => setDialog(undefined);
  const putBack = async () => {
    for (const id of ids) {
      try {
        await done(api.POST("/api/documents/{id}/restore", { params: { path: { id } } }));
      } catch (error) {
        message.error(wordsOf(error));
      }
    }
    act.mutate({ call: () => api.GET("/api/jobs") });
  };
  const discard = () =>
    act.mutate({
      call: () => api.POST("/api/documents/discard", { body: { documents: ids } }),
      after: () => {
        onClear();
        message.success(
          <span>
            {ids.length === 1 ? "1 paper lies" : `${ids.length} papers lie`} in the wastebasket.{" "}
            <button type="button" className="linklike" onClick={putBack}>
              Undo
            </button>
          </span>,
          10,
        );
      },
    });
  return (
    <div className="ledger-chosen" role="toolbar" aria-label="Chosen papers">
      <strong className="tabular">{papers.length} chosen</strong>
      <Button size="small" onClick={() => setLeaves("ZIP")}>
        ZIP
      </Button>
      <Button size="small" onClick={() => setLeaves("PRINT")}>
        Print
      </Button>
      <Button size="small" onClick={() => setLeaves("COPY")}>
        {ids.length === 1 ? "Copy for …" : "Copies for …"}
      </Button>
      {mayChange && (
        <>
          {file && (
            <Button size="small" onClick={() => setLeaves("PORTAL")}>
              Share
            </Button>
          )}
          {file && unsigned.length > 0 && (
            <Button size="small" onClick={() => setDialog("sign")}>
              Sign
            </Button>
          )}
          {file && unsigned.length > 0 && (
            <Button size="small" onClick={() => setDialog("ask")}>
              Ask for signatures
            </Button>
          )}
          {inReview && (
            <>
              <Button
                size="small"
                type="primary"
                onClick={() =>
                  act.mutate({
                    call: () => api.POST("/api/documents/accept", { body: { documents: shown } }),
                    said: ids.length === 1 ? "Accepted." : `Accepted ${ids.length} papers.`,
                    after: onClear,
                  })
                }
              >
                Accept
              </Button>
              <Button size="small" onClick={() => setDialog("send-back")}>
                Send back
              </Button>
            </>
          )}
          <Button size="small" disabled={ids.length > MOST_NUMBERED} onClick={() => setDialog("number")}>
            Number pages
          </Button>
          <Button size="small" onClick={() => setDialog("details")}>
            Change
          </Button>
          <Button size="small" onClick={() => setDialog("file")}>
            To another file
          </Button>
          <Button size="small" onClick={discard}>
            Throw away
          </Button>
        </>
      )}
      {onAll && (
        <Button size="small" type="link" onClick={onAll}>
          Choose all shown
        </Button>
      )}
      <Button size="small" type="text" aria-label="Choose none" onClick={onClear}>
        ×
      </Button>
      {dialog === "details" && <SharedDetailsModal papers={papers} onClose={close} onDone={onClear} />}
      <ReasonModal
        title={ids.length === 1 ? "Send this paper back" : `Send ${ids.length} papers back`}
        names={papers.map((p) => p.name)}
        hint={`Whoever brought ${ids.length === 1 ? "it" : "them"} will read the reason.`}
        okText="Send back"
        open={dialog === "send-back"}
        onClose={close}
        onReason={(reason) =>
          act.mutate({
            call: () => api.POST("/api/documents/send-back", { body: { documents: shown, reason } }),
            said: "Sent back.",
            after: () => {
              close();
              onClear();
            },
          })
        }
      />
      {leaves && (
        <CopyOutModal
          fileId={file?.id}
          file={file}
          papers={papers}
          wanted={leaves}
          onClose={() => setLeaves(undefined)}
        />
      )}
      {file && dialog === "sign" && <SignSeveralModal papers={unsigned} file={file} onClose={close} />}
      {dialog === "ask" && <AskSeveral ids={unsigned.map((p) => p.id)} onClose={close} />}
      {dialog === "number" && <NumberPagesModal papers={papers} onClose={close} />}
      {dialog === "file" && <ToFileModal ids={ids} onClose={close} onDone={onClear} />}
    </div>
  );
}

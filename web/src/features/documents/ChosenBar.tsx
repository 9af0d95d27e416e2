import { App, Button } from "antd";
import { useState } from "react";
import { api, done, wordsOf } from "../../api/client";
import { ReasonModal } from "./ReasonModal";
import { SharedDetailsModal } from "./SharedDetailsModal";
import { ToFileModal } from "./ToFileModal";
import { usePaperAction } from "./usePaperAction";

type ChosenBarProps = {
  papers: { id: string; name: string; state?: string }[];
  mayChange: boolean;
  onClear: () => void;
  onAll?: () => void;
};

/** What can be done with several chosen papers at once. */
export function ChosenBar({ papers, mayChange, onClear, onAll }: ChosenBarProps) {
  const [dialog, setDialog] = useState<"details" | "file" | "send-back">();
  const { message } = App.useApp();
  const act = usePaperAction();
  const ids = papers.map((p) => p.id);
  const inReview = papers.every((p) => p.state === "in review");
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
      <Button
        size="small"
        onClick={() =>
          act.mutate({
            call: () => api.POST("/api/zips", { body: { documents: ids } }),
            said: "The ZIP is being made; it can be fetched at the top once it is ready.",
          })
        }
      >
        ZIP
      </Button>
      {mayChange && (
        <>
          {inReview && (
            <>
              <Button
                size="small"
                type="primary"
                onClick={() =>
                  act.mutate({
                    call: () => api.POST("/api/documents/accept", { body: { documents: ids } }),
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
      {dialog === "details" && (
        <SharedDetailsModal ids={ids} names={papers.map((p) => p.name)} onClose={close} onDone={onClear} />
      )}
      <ReasonModal
        title={ids.length === 1 ? "Send this paper back" : `Send ${ids.length} papers back`}
        hint="Whoever brought them will read the reason."
        okText="Send back"
        open={dialog === "send-back"}
        onClose={close}
        onReason={(reason) =>
          act.mutate({
            call: () => api.POST("/api/documents/send-back", { body: { documents: ids, reason } }),
            said: "Sent back.",
            after: () => {
              close();
              onClear();
            },
          })
        }
      />
      {dialog === "file" && <ToFileModal ids={ids} onClose={close} onDone={onClear} />}
    </div>
  );
}

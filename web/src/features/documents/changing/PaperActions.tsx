import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { App, Button, Dropdown } from "antd";
import { useRef, useState } from "react";
import { useNavigate, useSearchParams } from "react-router";
import { api, done, type Shape, wordsOf } from "../../../api/client";
import { CopyOutModal } from "../../leaving/CopyOutModal";
import { isOffice } from "../../reading/laidOut";
import { AskModal } from "../../signing/asking/AskModal";
import { StartSigningModal } from "../../signing/StartSigningModal";
import { openSigningOptions } from "../documentQueries";
import { PagesModal } from "../paging/PagesModal";
import { ReasonModal } from "../ReasonModal";
import { useNewVersion } from "../useNewVersion";
import { DetailsModal } from "./DetailsModal";
import { ToFileModal } from "./ToFileModal";

type Dialog = "pages" | "send-back" | "in-error" | "share" | "print" | "sign" | "ask" | "details" | "file";

/** What can be done with the paper that is read. */
export function PaperActions({ paper, file }: { paper: Shape<"DocumentAnswer">; file: Shape<"FileAnswer"> }) {
  const [search, setSearch] = useSearchParams();
  // a link can ask for the details, such as the one of a version that was just brought
  const asksForDetails = search.get("change") === "details";
  const [opened, setDialog] = useState<Dialog | null>(null);
  const dialog = opened ?? (asksForDetails ? "details" : null);
  const picker = useRef<HTMLInputElement>(null);
  const { message } = App.useApp();
  const navigate = useNavigate();
  const queries = useQueryClient();
  const signing = useQuery(openSigningOptions(paper.id));
  const isOpen = Boolean(signing.data?.id || signing.data?.requestId);
  const params = { path: { id: paper.id } };
  const act = useMutation({
    mutationFn: (call: () => Promise<unknown>) => done(call()),
    onSuccess: () => {
      setDialog(null);
      queries.invalidateQueries({ queryKey: ["files"] });
    },
    onError: (error) => message.error(wordsOf(error)),
  });
  const newest = paper.versions[paper.versions.length - 1];
  const version = paper.versions.length;
  const hasNoPages = newest?.pages === 0;
  const close = () => {
    setDialog(null);
    if (asksForDetails) {
      setSearch((before) => {
        const params = new URLSearchParams(before);
        params.delete("change");
        return params;
      });
    }
  };
  const renew = useNewVersion(paper.id);
  const thrown = useThrownAway(paper);
  const discard = () =>
    act.mutate(async () => {
      await api.POST("/api/documents/discard", { body: { documents: [paper.id] } });
      thrown();
    });
  return (
    <div className="buttons">
      {paper.mayReview && paper.needsReview && !paper.acceptedOn && (
        <Button
          type="primary"
          size="small"
          loading={act.isPending}
          onClick={() =>
            act.mutate(() => api.POST("/api/documents/{id}/accept", { params, body: { version } }))
          }
        >
          Accept
        </Button>
      )}
      {signing.data?.id && (
        <Button type="primary" size="small" onClick={() => navigate(`/signing/${signing.data.id}`)}>
          Go on signing
        </Button>
      )}
      {signing.data?.requestId && (
        <Button size="small" onClick={() => navigate(`/signing?show=all&request=${signing.data.requestId}`)}>
          Waits for signatures
        </Button>
      )}
      {!isOpen && paper.unsignedBy.length > 0 && !hasNoPages && (
        <Button type="primary" size="small" onClick={() => setDialog("sign")}>
          Sign at the desk
        </Button>
      )}
      {!isOpen && paper.unsignedBy.length > 0 && !hasNoPages && (
        <Button size="small" onClick={() => setDialog("ask")}>
          Ask for signatures
        </Button>
      )}
      {!newest?.placeholder && (
        <Button size="small" onClick={() => setDialog("share")}>
          Share
        </Button>
      )}
      {paper.mayReview && paper.needsReview && !paper.sentBackOn && (
        <Button size="small" onClick={() => setDialog("send-back")}>
          Send back
        </Button>
      )}
      <Button size="small" onClick={() => setDialog("in-error")}>
        Entered in error
      </Button>
      <Dropdown
        trigger={["click"]}
        menu={{
          items: [
            { key: "details", label: "Change details", onClick: () => setDialog("details") },
            { key: "version", label: "Bring a new version", onClick: () => picker.current?.click() },
            ...(hasNoPages || (newest && isOffice(newest))
              ? []
              : [{ key: "pages", label: "Change its pages", onClick: () => setDialog("pages") }]),
            { key: "file", label: "To another file", onClick: () => setDialog("file") },
            ...(isOpen || hasNoPages || paper.unsignedBy.length > 0
              ? []
              : [{ key: "ask", label: "Ask for signatures", onClick: () => setDialog("ask") }]),
            ...(hasNoPages ? [] : [{ key: "print", label: "Print", onClick: () => setDialog("print") }]),
            { key: "discard", label: "Throw away", onClick: discard },
          ],
        }}
      >
        <Button size="small">More</Button>
      </Dropdown>
      <input
        ref={picker}
        type="file"
        hidden
        aria-label="Choose the new version"
        onChange={(e) => {
          const file = e.target.files?.[0];
          e.target.value = "";
          if (file) {
            renew.mutate(file);
          }
        }}
      />
      {dialog === "details" && <DetailsModal paper={paper} onClose={close} />}
      {dialog === "pages" && <PagesModal paper={paper} onClose={close} />}
      {dialog === "file" && <ToFileModal ids={[paper.id]} onClose={close} />}
      <ReasonModal
        title="Send this paper back"
        hint="The person who brought it will read the reason."
        okText="Send back"
        open={dialog === "send-back"}
        onClose={close}
        onReason={(reason) =>
          act.mutate(() => api.POST("/api/documents/{id}/send-back", { params, body: { version, reason } }))
        }
      />
      <ReasonModal
        title="Mark as entered in error"
        hint="The paper stays in the file, struck through, and counts nowhere. This cannot be taken back."
        okText="Mark it"
        open={dialog === "in-error"}
        onClose={close}
        onReason={(reason) =>
          act.mutate(() =>
            api.POST("/api/documents/{id}/entered-in-error", { params, body: { version, reason } }),
          )
        }
      />
      {(dialog === "share" || dialog === "print") && (
        <CopyOutModal
          fileId={file.id}
          file={file}
          papers={[paper]}
          wanted={dialog === "share" ? "PORTAL" : "PRINT"}
          onClose={close}
        />
      )}
      {dialog === "ask" && (
        <AskModal
          papers={[
            {
              id: paper.id,
              name: paper.name,
              version,
              pages: newest?.pages ?? 1,
              versionNumber: newest?.number ?? version,
            },
          ]}
          onClose={close}
        />
      )}
      <StartSigningModal paper={paper} file={file} open={dialog === "sign"} onClose={close} />
    </div>
  );
}

/** A paper that was thrown away is no longer read; it can be brought back at once, and later from the wastebasket. */
function useThrownAway(paper: Shape<"DocumentAnswer">) {
  const { message } = App.useApp();
  const queries = useQueryClient();
  const [, setSearch] = useSearchParams();
  const read = (id: string | null) =>
    setSearch((before) => {
      const params = new URLSearchParams(before);
      params.delete("beside");
      if (id) {
        params.set("paper", id);
      } else {
        params.delete("paper");
      }
      return params;
    });
  const back = async () => {
    message.destroy(`thrown ${paper.id}`);
    try {
      await done(api.POST("/api/documents/{id}/restore", { params: { path: { id: paper.id } } }));
      await queries.invalidateQueries({ queryKey: ["files"] });
      read(paper.id);
    } catch (error) {
      message.error(wordsOf(error));
    }
  };
  return () => {
    read(null);
    message.success({
      key: `thrown ${paper.id}`,
      duration: 10,
      content: (
        <span>
          “{paper.name}” is in the wastebasket.{" "}
          <button type="button" className="linklike" onClick={back}>
            Undo
          </button>
        </span>
      ),
    });
  };
}

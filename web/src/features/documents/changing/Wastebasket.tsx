import { useQuery } from "@tanstack/react-query";
import { Button, Drawer } from "antd";
import { useState } from "react";
import { api } from "../../../api/client";
import { moment } from "../../../ui/days";
import { Loaded } from "../../../ui/Quiet";
import { meOptions } from "../../access/sessionQueries";
import { wastebasketOptions } from "../documentQueries";
import { ReasonModal } from "../ReasonModal";
import { usePaperAction } from "../usePaperAction";

/** The papers of a file that were thrown away, to be taken out again. */
export function Wastebasket({ fileId, mayChange }: { fileId: string; mayChange: boolean }) {
  const [open, setOpen] = useState(false);
  const papers = useQuery(wastebasketOptions(fileId));
  const act = usePaperAction();
  const [destroys, setDestroys] = useState<string[]>([]);
  const isAdministrator = useQuery(meOptions).data?.role === "ADMINISTRATOR";
  if (!papers.data || papers.data.length === 0) {
    return null;
  }
  return (
    <>
      <button type="button" className="linklike basket-line" onClick={() => setOpen(true)}>
        Wastebasket {papers.data.length}
      </button>
      <Drawer title="Wastebasket" open={open} onClose={() => setOpen(false)}>
        <Loaded query={papers}>
          {(list) => (
            <ul className="plain-list basket">
              {list.map((paper) => (
                <li key={paper.id}>
                  <div>
                    <strong>{paper.name}</strong>
                    <div className="muted">
                      thrown away by {paper.discardedBy}, {moment(paper.discardedAt)}
                    </div>
                  </div>
                  {mayChange && isAdministrator && (
                    <Button
                      size="small"
                      type="text"
                      danger
                      aria-label={`Destroy ${paper.name}`}
                      onClick={() => setDestroys([paper.id])}
                    >
                      Destroy…
                    </Button>
                  )}
                  {mayChange && (
                    <Button
                      size="small"
                      aria-label={`Take out ${paper.name}`}
                      onClick={() =>
                        act.mutate({
                          call: () =>
                            api.POST("/api/documents/{id}/restore", { params: { path: { id: paper.id } } }),
                          said: "It is back in the file.",
                        })
                      }
                    >
                      Take out
                    </Button>
                  )}
                </li>
              ))}
            </ul>
          )}
        </Loaded>
        {mayChange && isAdministrator && papers.data.length > 1 && (
          <Button danger type="text" onClick={() => setDestroys(papers.data.map((p) => p.id))}>
            Destroy all {papers.data.length}…
          </Button>
        )}
      </Drawer>
      <ReasonModal
        title={
          destroys.length === 1 ? "Destroy this paper for good" : `Destroy ${destroys.length} papers for good`
        }
        names={papers.data.filter((p) => destroys.includes(p.id)).map((p) => p.name)}
        hint="All versions and what was read from them are gone then; this cannot be taken back. The trail keeps the names, the hashes and this reason."
        okText="Destroy"
        danger
        open={destroys.length > 0}
        onClose={() => setDestroys([])}
        onReason={(reason) =>
          act.mutate({
            call: () => api.POST("/api/documents/destroy", { body: { documents: destroys, reason } }),
            said: "Destroyed.",
            after: () => setDestroys([]),
          })
        }
      />
    </>
  );
}

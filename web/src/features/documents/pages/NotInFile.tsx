import { useQuery } from "@tanstack/react-query";
import { Button } from "antd";
import { api } from "../../../api/client";
import { moment } from "../../../ui/days";
import { Loaded, QuietEmpty } from "../../../ui/Quiet";
import { useMayChange } from "../../asof/asOf";
import { wastebasketOptions } from "../documentQueries";
import { usePaperAction } from "../usePaperAction";

/** In place of a paper that cannot be read here any more: where it went, and the way back. */
export function NotInFile({ id, fileId }: { id: string; fileId: string }) {
  const basket = useQuery(wastebasketOptions(fileId));
  const mayChange = useMayChange();
  const act = usePaperAction();
  return (
    <Loaded query={basket}>
      {(papers) => {
        const paper = papers.find((p) => p.id === id);
        return paper ? (
          <QuietEmpty title={`“${paper.name}” is in the wastebasket`}>
            <p className="muted">
              Thrown away by {paper.discardedBy}, {moment(paper.discardedAt)}
            </p>
            {mayChange && (
              <Button
                type="primary"
                loading={act.isPending}
                onClick={() =>
                  act.mutate({
                    call: () => api.POST("/api/documents/{id}/restore", { params: { path: { id } } }),
                    said: "It is back in the file.",
                  })
                }
              >
                Put it back in the file
              </Button>
            )}
          </QuietEmpty>
        ) : (
          <QuietEmpty title="This paper is not in this file">
            <p>It may have been moved to another file or destroyed; the trail tells.</p>
          </QuietEmpty>
        );
      }}
    </Loaded>
  );
}

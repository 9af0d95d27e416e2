import { useQuery } from "@tanstack/react-query";
import { Button } from "antd";
import { useEffect } from "react";
import { Link } from "react-router";
import { answer, api, type Shape } from "../../api/client";
import { moment } from "../../ui/days";
import { forgetDraft } from "../../ui/drafts";
import { Loaded, QuietEmpty } from "../../ui/Quiet";
import { meOptions } from "../access/sessionQueries";

type Outcome = Shape<"ArrivalOutcome">;

/** What somebody did meanwhile with the paper that was shown here; nothing slips into its place by itself. */
export function GonePaper({ id, hasNext, onNext }: { id: string; hasNext: boolean; onNext: () => void }) {
  const outcome = useQuery({
    queryKey: ["arrivals", id, "outcome"],
    queryFn: () => answer(api.GET("/api/arrivals/{id}/outcome", { params: { path: { id } } })),
  });
  const me = useQuery(meOptions).data;
  const isHandled = outcome.data?.byName != null;
  useEffect(() => {
    if (isHandled) {
      forgetDraft(`filing ${id}`);
    }
  }, [isHandled, id]);
  // whoever split it goes on with its first part
  const isMySplit = outcome.data?.state === "SPLIT" && outcome.data.byName === me?.name;
  // biome-ignore lint/correctness/useExhaustiveDependencies: once
  useEffect(() => {
    if (isMySplit) {
      onNext();
    }
  }, [isMySplit]);
  return (
    <section className="gone-paper" style={{ gridColumn: "2 / 4" }} aria-live="polite">
      <Loaded query={outcome}>
        {(data) => (
          <QuietEmpty title={`“${data.fileName}” ${become(data, me?.name)}`}>
            {data.at && <p className="muted">{moment(data.at)}</p>}
            {data.reason && data.state !== "FILED" && <p>{data.reason}</p>}
            {data.documentId && (
              <p>
                <Link to={`/files/${data.fileId}?paper=${data.documentId}`}>{data.documentName}</Link>
              </p>
            )}
            {hasNext && (
              <Button type="primary" onClick={onNext}>
                Next paper&nbsp;<kbd>J</kbd>
              </Button>
            )}
          </QuietEmpty>
        )}
      </Loaded>
    </section>
  );
}

/** What became of it, as the rest of a sentence. */
export function become({ state, byName }: Outcome, me: string | undefined): string {
  const by = byName ? ` by ${byName === me ? "you" : byName}` : "";
  switch (state) {
    case "FILED":
      return `was filed meanwhile${by}`;
    case "DISCARDED":
      return `was discarded meanwhile${by}`;
    case "SPLIT":
      return `was split meanwhile${by}; its parts wait in the list`;
    case "JOINED":
      return `was joined to another paper meanwhile${by}`;
    default:
      return "is not in this list";
  }
}

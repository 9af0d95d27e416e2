import { useMutation, useQueryClient } from "@tanstack/react-query";
import { App } from "antd";
import { answer, api, done, type Shape, wordsOf } from "../../api/client";
import type { Arrival } from "./arrivalQueries";

type Filed = Shape<"FiledAnswer">;
export type Filing = { chosen: Arrival[]; details: Shape<"FilingDetails"> };

/** Filings of this visit that can be undone, the last one last; each may still be on its way. */
const filings: { id: string; sent: Promise<unknown> }[] = [];

async function send({ chosen, details }: Filing): Promise<Filed[]> {
  const [only] = chosen;
  if (chosen.length === 1 && only) {
    const filed = await answer(
      api.POST("/api/arrivals/{id}/filing", {
        params: { path: { id: only.id } },
        body: { version: only.version, details },
      }),
    );
    return [filed];
  }
  const papers = chosen.map(({ id, version }) => ({ id, version }));
  return answer(api.POST("/api/arrivals/filing", { body: { papers, details } }));
}

/**
 * Files papers. The next paper shows at once; should the filing be refused, the refused one comes back with the reason.
 */
export function useFiling(onGone: () => void, onBack: (id: string) => void) {
  const { message } = App.useApp();
  const queries = useQueryClient();
  const refresh = () =>
    Promise.all([
      queries.invalidateQueries({ queryKey: ["arrivals"], exact: true }),
      queries.invalidateQueries({ queryKey: ["files"] }),
    ]);
  const undo = async () => {
    const last = filings.pop();
    if (!last) {
      message.info("There is no filing to undo.");
      return;
    }
    try {
      await last.sent;
      await done(api.POST("/api/arrivals/{id}/undo-filing", { params: { path: { id: last.id } } }));
      message.success("The paper waits again.");
      await refresh();
      onBack(last.id);
    } catch (error) {
      message.error(wordsOf(error));
    }
  };
  const { mutate } = useMutation({
    mutationFn: ({ sent }: Filing & { sent: Promise<Filed[]> }) => sent,
    onSuccess: async (filed) => {
      message.success(
        filed.length === 1 ? (
          <span>
            Filed “{filed[0]?.name}”.{" "}
            <button type="button" className="linklike" onClick={undo}>
              Undo
            </button>
          </span>
        ) : (
          `Filed ${filed.length} papers.`
        ),
      );
      await refresh();
    },
    onError: async (error, { chosen }) => {
      message.error(wordsOf(error), 6);
      const refused = filings.findIndex((f) => f.id === chosen[0]?.id);
      if (refused >= 0) {
        filings.splice(refused, 1);
      }
      await refresh();
      onBack(chosen[0]?.id ?? "");
    },
  });
  const file = (filing: Filing) => {
    const sent = send(filing);
    const [only] = filing.chosen;
    if (filing.chosen.length === 1 && only) {
      filings.push({ id: only.id, sent });
    }
    mutate({ ...filing, sent });
    const gone = new Set(filing.chosen.map((a) => a.id));
    onGone();
    queries.setQueryData<Arrival[]>(["arrivals"], (list) => list?.filter((a) => !gone.has(a.id)));
  };
  return { file, undo };
}

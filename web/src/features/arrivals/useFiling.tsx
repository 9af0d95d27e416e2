import { useMutation, useQueryClient } from "@tanstack/react-query";
import { App } from "antd";
import { answer, api, type Shape, wordsOf } from "../../api/client";
import type { Arrival } from "./arrivalQueries";

let lastFiled: string | undefined;

/**
 * Files papers. The next paper shows at once; should the filing be refused, the refused one comes back with the reason.
 */
export function useFiling(chosen: Arrival[], onGone: () => void, onRefused: (id: string) => void) {
  const { message } = App.useApp();
  const queries = useQueryClient();
  const refresh = () =>
    Promise.all([
      queries.invalidateQueries({ queryKey: ["arrivals"] }),
      queries.invalidateQueries({ queryKey: ["files"] }),
    ]);
  const undo = async () => {
    if (!lastFiled) {
      message.info("There is no filing to undo.");
      return;
    }
    try {
      await api.POST("/api/arrivals/{id}/undo-filing", { params: { path: { id: lastFiled } } });
      const id = lastFiled;
      lastFiled = undefined;
      message.success("The paper waits again.");
      await refresh();
      onRefused(id);
    } catch (error) {
      message.error(wordsOf(error));
    }
  };
  const send = async (details: Shape<"FilingDetails">): Promise<Shape<"FiledAnswer">[]> => {
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
  };
  const file = useMutation({
    mutationFn: send,
    onMutate: () => {
      const gone = new Set(chosen.map((a) => a.id));
      onGone();
      queries.setQueryData<Arrival[]>(["arrivals"], (list) => list?.filter((a) => !gone.has(a.id)));
    },
    onSuccess: async (filed) => {
      lastFiled = chosen.length === 1 ? chosen[0]?.id : undefined;
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
    onError: async (error) => {
      message.error(wordsOf(error), 6);
      await refresh();
      const first = chosen[0];
      if (first) {
        onRefused(first.id);
      }
    },
  });
  return { file, undo };
}

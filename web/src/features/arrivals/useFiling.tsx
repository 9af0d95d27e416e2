import { useMutation, useQueryClient } from "@tanstack/react-query";
import { App } from "antd";
import { answer, api, done, type Shape, wordsOf } from "../../api/client";
import { forgetDraft } from "../../ui/drafts";
import type { Arrival } from "./arrivalQueries";

type Filed = Shape<"FiledAnswer">;
export type Filing = {
  chosen: Arrival[];
  details: Shape<"FilingDetails">;
  /** A guest of the file with whom they are shared once they are filed. */
  share?: { accountId: string; name: string };
};

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

/** Filings of this visit that may be on their way yet; the last one is what undoing without naming one is about. */
const underWay: Promise<unknown>[] = [];

/**
 * Files papers. The next paper shows at once; should the filing be refused, the refused one comes back with the reason.
 * What is said of each filing has its own Undo, which takes back that one and no other.
 */
export function useFiling(onGone: () => void, onBack: (id: string) => void) {
  const { message } = App.useApp();
  const queries = useQueryClient();
  const refresh = () =>
    Promise.all([
      queries.invalidateQueries({ queryKey: ["arrivals"], exact: true }),
      queries.invalidateQueries({ queryKey: ["files"] }),
      queries.invalidateQueries({ queryKey: ["waiting-counts"] }),
    ]);
  const takeBack = async (papers: string[], name: string) => {
    message.destroy(`filed ${papers[0]}`);
    try {
      await done(api.POST("/api/arrivals/undo-filing", { body: { papers } }));
      message.success(papers.length === 1 ? `“${name}” waits again.` : `${papers.length} papers wait again.`);
      await refresh();
      onBack(papers[0] ?? "");
    } catch (error) {
      message.error(wordsOf(error));
    }
  };
  /** Takes back what this account filed last, also before the page was loaded anew. */
  const undo = async () => {
    await Promise.allSettled(underWay);
    try {
      const { last } = await answer(api.GET("/api/arrivals/last-filing"));
      if (last) {
        await takeBack(last.papers, last.name);
      } else {
        message.info("You have filed nothing in the last day that can be taken back.");
      }
    } catch (error) {
      message.error(wordsOf(error));
    }
  };
  /** What was filed stays filed even if it could not be shared. @returns what is said of it */
  const shareWith = async (filed: Filed[], guest: Filing["share"]): Promise<string> => {
    if (!guest) {
      return "";
    }
    try {
      const documents = filed.map((f) => f.documentId);
      await done(api.POST("/api/shares", { body: { accountId: guest.accountId, documents } }));
      return `Shared with ${guest.name}.`;
    } catch (error) {
      message.error(`It was filed, but not shared with ${guest.name}. ${wordsOf(error)}`, 10);
      return "";
    }
  };
  const { mutate } = useMutation({
    mutationFn: ({ sent }: Filing & { sent: Promise<Filed[]> }) => sent,
    onSuccess: async (filed, { chosen, share }) => {
      const shared = await shareWith(filed, share);
      const papers = chosen.map((a) => a.id);
      for (const id of papers) {
        forgetDraft(`filing ${id}`);
      }
      const name = filed[0]?.name ?? "";
      message.success({
        key: `filed ${papers[0]}`,
        content: (
          <span>
            {filed.length === 1 ? `Filed “${name}”. ` : `Filed ${filed.length} papers. `}
            {shared}
            {!shared && (
              <button type="button" className="linklike" onClick={() => takeBack(papers, name)}>
                Undo
              </button>
            )}
          </span>
        ),
      });
      await refresh();
    },
    onError: async (error, { chosen }) => {
      message.error(wordsOf(error), 6);
      await refresh();
      onBack(chosen[0]?.id ?? "");
    },
  });
  const file = (filing: Filing) => {
    const sent = send(filing);
    underWay.push(sent);
    sent.catch(() => undefined).finally(() => underWay.splice(underWay.indexOf(sent), 1));
    mutate({ ...filing, sent });
    const gone = new Set(filing.chosen.map((a) => a.id));
    onGone();
    queries.setQueryData<Arrival[]>(["arrivals"], (list) => list?.filter((a) => !gone.has(a.id)));
  };
  return { file, undo };
}

import { useQueryClient } from "@tanstack/react-query";
import { createContext, type ReactNode, useContext, useRef, useState } from "react";
import { answer, api, done, Problem, wordsOf } from "../../api/client";
import { practiceOptions } from "../../api/practice";
import { bytes } from "../../ui/days";
import { type Sending, sendResumably, type Taking } from "./sendResumably";

/** What is known of a paper before it is filed. */
export type PaperDetails = { fileId?: string; type?: string; note?: string };

/** A file with what is known of it. */
export type Chosen = { file: File; details: PaperDetails };

export type Upload = { key: string; name: string; part: number; error?: string; canGoOn?: boolean };

const AT_ONCE = 3;

type Outgoing<T> = { file: File; take: Taking<T> };

/**
 * Everything that is being sent from this browser, a few files at a time. It goes on while one looks at another page;
 * what was refused stays listed with its reason until dismissed; what broke off can go on.
 */
function useSendings() {
  const [uploads, setUploads] = useState<Upload[]>([]);
  const [last, setLast] = useState<Chosen[]>([]);
  const under = useRef(new Map<string, Sending<unknown>>());
  const queries = useQueryClient();
  const change = (key: string, to: Partial<Upload>) =>
    setUploads((all) => all.map((u) => (u.key === key ? { ...u, ...to } : u)));
  const dismiss = (key: string) => {
    under.current.get(key)?.stop();
    under.current.delete(key);
    setUploads((all) => all.filter((u) => u.key !== key));
  };
  const goOn = (key: string) => {
    change(key, { error: undefined, canGoOn: false });
    under.current.get(key)?.goOn();
  };

  const sendOne = async <T,>(
    { file, take }: Outgoing<T>,
    key: string,
    turn: Promise<void>,
    over: () => void,
  ): Promise<T | undefined> => {
    const practice = await queries.fetchQuery(practiceOptions).catch(() => undefined);
    const refusal = refused(file, practice?.uploadLimit ?? Number.POSITIVE_INFINITY);
    if (refusal) {
      change(key, { error: refusal });
      return undefined;
    }
    const sending = sendResumably(
      file,
      take,
      turn,
      (part) => change(key, { part }),
      (broken) => {
        change(key, { error: `“${file.name}”: ${wordsOf(broken)}`, canGoOn: true });
        // those behind it need not wait
        over();
      },
    );
    under.current.set(key, sending);
    try {
      const became = await sending.taken;
      under.current.delete(key);
      setUploads((all) => all.filter((u) => u.key !== key));
      return became;
    } catch (error) {
      under.current.delete(key);
      if (!(error instanceof Problem && error.code === "stopped")) {
        change(key, { error: `“${file.name}”: ${wordsOf(error)}` });
      }
      return undefined;
    }
  };

  /** @returns what each became, in the order of the files; nothing for those refused or stopped */
  const sendAll = async <T,>(outgoing: Outgoing<T>[]): Promise<(T | undefined)[]> => {
    const fresh = outgoing.map(({ file }, i) => ({
      key: `${Date.now()}-${i}-${file.name}`,
      name: file.name,
      part: 0,
    }));
    setUploads((all) => [...all, ...fresh]);
    const became: (T | undefined)[] = new Array(outgoing.length).fill(undefined);
    let next = 0;
    let before = Promise.resolve();
    const sender = async () => {
      for (let i = next++; i < outgoing.length; i = next++) {
        const one = outgoing[i];
        if (one) {
          const turn = before;
          let over: () => void = () => undefined;
          before = new Promise((ended) => {
            over = ended;
          });
          became[i] = await sendOne(one, fresh[i]?.key ?? "", turn, over);
          over();
        }
      }
    };
    await Promise.all(Array.from({ length: AT_ONCE }, sender));
    return became;
  };

  /** Into Arrivals. @returns ids of the arrivals that were made, in the order of the files */
  const send = async (chosen: Chosen[]): Promise<string[]> => {
    setLast(chosen);
    const ids = await sendAll(
      chosen.map(({ file, details }) => ({
        file,
        take: async (upload: string) => {
          const { id } = await answer(api.POST("/api/arrivals/sent", { body: { upload, ...details } }));
          await queries.invalidateQueries({ queryKey: ["arrivals"] });
          return id;
        },
      })),
    );
    return ids.filter((id) => id !== undefined);
  };

  /** As the newest version of a paper. @returns whether it became it */
  const sendVersion = async (document: string, file: File): Promise<boolean> => {
    const params = { path: { id: document } };
    let isAskedAgain = false;
    const take = async (upload: string, end: () => void) => {
      try {
        await done(api.POST("/api/documents/{id}/versions", { params, body: { upload } }));
      } catch (error) {
        const wasTaken = isAskedAgain && error instanceof Problem && error.code === "newest-already";
        isAskedAgain = true;
        if (!wasTaken) {
          throw error;
        }
      }
      end();
      await queries.invalidateQueries({ queryKey: ["files"] });
      return true;
    };
    const [became] = await sendAll([{ file, take }]);
    return became ?? false;
  };
  return { uploads, send, sendVersion, sendAll, dismiss, goOn, last };
}

/** Why a file need not be sent at all; undefined when it may be. */
export function refused(file: File, limit: number): string | undefined {
  if (file.size > limit) {
    return `“${file.name}” has ${bytes(file.size)}; at most ${bytes(limit)} are taken.`;
  }
  return file.size === 0 ? `“${file.name}” is empty: it holds no bytes. Scan or save it again.` : undefined;
}

type Sendings = ReturnType<typeof useSendings>;

const SendingsContext = createContext<Sendings | null>(null);

/** Keeps what is being sent while pages come and go. */
export function Uploads({ children }: { children: ReactNode }) {
  return <SendingsContext value={useSendings()}>{children}</SendingsContext>;
}

export function useUploads(): Sendings {
  const sendings = useContext(SendingsContext);
  if (!sendings) {
    throw new Error("Uploads stand around everything that sends");
  }
  return sendings;
}

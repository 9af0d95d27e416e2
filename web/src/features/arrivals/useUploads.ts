import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useRef, useState } from "react";
import { Problem, wordsOf } from "../../api/client";
import { bytes } from "../../ui/days";
import { practiceOptions } from "../access/sessionQueries";
import { type PaperDetails, type Sending, sendResumably } from "./resumable";

/** A file with what is known of it before it is filed. */
export type Chosen = { file: File; details: PaperDetails };

export type Upload = { key: string; name: string; part: number; error?: string; canGoOn?: boolean };

const AT_ONCE = 3;

/**
 * Sends files into Arrivals, a few at a time. What was refused stays listed with its reason until dismissed; what broke
 * off can go on. What was sent last can be sent again with other details.
 */
export function useUploads(fields: PaperDetails = {}) {
  const [uploads, setUploads] = useState<Upload[]>([]);
  const [last, setLast] = useState<File[]>([]);
  const under = useRef(new Map<string, Sending>());
  const queries = useQueryClient();
  const limit = useQuery(practiceOptions).data?.uploadLimit ?? Number.POSITIVE_INFINITY;
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

  const sendOne = async (
    { file, details }: Chosen,
    key: string,
    turn: Promise<void>,
    over: () => void,
  ): Promise<string | undefined> => {
    if (file.size > limit) {
      change(key, { error: `“${file.name}” has ${bytes(file.size)}; at most ${bytes(limit)} are taken.` });
      return undefined;
    }
    if (file.size === 0) {
      change(key, { error: `“${file.name}” is empty: it holds no bytes. Scan or save it again.` });
      return undefined;
    }
    const sending = sendResumably(
      file,
      details,
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
      const id = await sending.arrival;
      under.current.delete(key);
      setUploads((all) => all.filter((u) => u.key !== key));
      await queries.invalidateQueries({ queryKey: ["arrivals"] });
      return id;
    } catch (error) {
      under.current.delete(key);
      if (!(error instanceof Problem && error.code === "stopped")) {
        change(key, { error: wordsOf(error) });
      }
      return undefined;
    }
  };

  /** @returns ids of the arrivals that were made, in the order of the files */
  const sendWith = async (chosen: Chosen[]): Promise<string[]> => {
    const fresh = chosen.map(({ file }, i) => ({
      key: `${Date.now()}-${i}-${file.name}`,
      name: file.name,
      part: 0,
    }));
    setUploads((all) => [...all, ...fresh]);
    setLast(chosen.map((c) => c.file));
    const ids: (string | undefined)[] = new Array(chosen.length);
    let next = 0;
    let before = Promise.resolve();
    const sender = async () => {
      for (let i = next++; i < chosen.length; i = next++) {
        const one = chosen[i];
        if (one) {
          const turn = before;
          let over: () => void = () => undefined;
          before = new Promise((done) => {
            over = done;
          });
          ids[i] = await sendOne(one, fresh[i]?.key ?? "", turn, over);
          over();
        }
      }
    };
    await Promise.all(Array.from({ length: AT_ONCE }, sender));
    return ids.filter((id) => id !== undefined);
  };
  const send = (files: File[]) => sendWith(files.map((file) => ({ file, details: fields })));
  return { uploads, send, sendWith, dismiss, goOn, last };
}

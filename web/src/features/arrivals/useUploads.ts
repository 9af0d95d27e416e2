import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { upload, wordsOf } from "../../api/client";
import { bytes } from "../../ui/days";
import { practiceOptions } from "../access/sessionQueries";

export type Upload = { key: string; name: string; part: number; error?: string };

/** Sends files one after the other into Arrivals; what was refused stays listed with its reason until dismissed. */
export function useUploads(fields: Record<string, string> = {}) {
  const [uploads, setUploads] = useState<Upload[]>([]);
  const queries = useQueryClient();
  const limit = useQuery(practiceOptions).data?.uploadLimit ?? Number.POSITIVE_INFINITY;
  const change = (key: string, to: Partial<Upload>) =>
    setUploads((all) => all.map((u) => (u.key === key ? { ...u, ...to } : u)));
  const dismiss = (key: string) => setUploads((all) => all.filter((u) => u.key !== key));

  const sendOne = async (file: File, key: string): Promise<string | undefined> => {
    if (file.size > limit) {
      change(key, { error: `“${file.name}” has ${bytes(file.size)}; at most ${bytes(limit)} are taken.` });
      return undefined;
    }
    try {
      const { id } = await upload("/api/arrivals", file, fields, (part) => change(key, { part }));
      dismiss(key);
      await queries.invalidateQueries({ queryKey: ["arrivals"] });
      return id;
    } catch (error) {
      change(key, { error: wordsOf(error) });
      return undefined;
    }
  };

  /** @returns ids of the arrivals that were made */
  const send = async (files: File[]): Promise<string[]> => {
    const fresh = files.map((file, i) => ({
      key: `${Date.now()}-${i}-${file.name}`,
      name: file.name,
      part: 0,
    }));
    setUploads((all) => [...all, ...fresh]);
    const ids: string[] = [];
    for (const [i, file] of files.entries()) {
      const id = await sendOne(file, fresh[i]?.key ?? "");
      if (id) {
        ids.push(id);
      }
    }
    return ids;
  };
  return { uploads, send, dismiss };
}

import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { App } from "antd";
import { useState } from "react";
import { answer, api, done } from "../../api/client";
import { usualCopiesOptions } from "../../api/usualCopies";
import { useMarking } from "../marks/markQueries";
import type { CopyOutModalProps } from "./CopyOutModal";
import { readersOptions } from "./copyQueries";
import { type As, copiesInWords, fetchCopies, type Way } from "./fetchCopies";
import type { MailLetter } from "./MailForm";

type Wish = { marks?: boolean; open: boolean; foot?: boolean };

/** Copies for one reader: how they are to be, made to be looked at, and given. */
export function useCopies({ fileId, papers: chosen, bundle, to }: CopyOutModalProps) {
  const { message } = App.useApp();
  const queries = useQueryClient();
  const { sees } = useMarking();
  const [papers, setPapers] = useState(chosen);
  const [reader, setReader] = useState(to ?? "");
  // what was chosen by hand; before that what readers of this kind usually get
  const [wish, setWish] = useState<Wish>({ open: false });
  const [evenIfReadable, setEvenIfReadable] = useState(false);
  const [as, setAs] = useState<As>("JOINED");
  const [title, setTitle] = useState(bundle?.name ?? "");
  const readers = useQuery({ ...readersOptions(fileId ?? ""), enabled: fileId !== undefined }).data ?? [];
  const known = readers.find((r) => r.name === reader.trim());
  const kind = known?.kind ?? "OTHER";
  const usual = useQuery(usualCopiesOptions).data?.find((u) => u.kind === kind);
  const marks = sees && (wish.marks ?? usual?.marks ?? false);
  const foot = wish.foot ?? usual?.foot ?? true;
  const draft = useMutation({
    mutationFn: () =>
      answer(
        api.POST("/api/copies-out", {
          body: {
            documents: papers.map((p) => p.id),
            reader: { kind, name: reader.trim() },
            marks,
            open: wish.open,
            foot,
          },
        }),
      ),
    onSuccess: () => setEvenIfReadable(false),
  });
  const copies = draft.data ?? [];
  const give = useMutation({
    mutationFn: async ({ way, letter }: { way: Way; letter?: MailLetter }) => {
      const ids = copies.map((c) => c.id);
      if (way === "MAIL" && letter) {
        const { to, subject, words, asLink, endsOn } = letter;
        const body = {
          copies: ids,
          to: to.trim(),
          subject,
          words,
          endsOn: asLink ? endsOn : undefined,
          title: ids.length > 1 && as === "JOINED" ? title.trim() : undefined,
          evenIfReadable,
        };
        await answer(api.POST("/api/copies-out/mail", { body }));
      } else if (way === "PORTAL") {
        const body = { copies: ids, accountId: known?.accountId ?? "", evenIfReadable };
        await done(api.POST("/api/copies-out/share", { body }));
      } else if (way !== "MAIL") {
        await done(api.POST("/api/copies-out/give", { body: { copies: ids, way, evenIfReadable } }));
      }
      if (bundle) {
        await done(api.POST("/api/bundles/{id}/given", { params: { path: { id: bundle.id } } }));
      }
    },
    onSuccess: (_, { way, letter }) => {
      if (way === "MAIL") {
        message.success(
          `On its way to ${letter?.to.trim()}. The details of the file tell what became of it.`,
        );
      } else if (way === "PORTAL") {
        message.success(`Shared with ${reader.trim()}.`);
      } else {
        fetchCopies(copies, way, as, title);
        message.success(`${copiesInWords(copies)} for ${reader.trim()} is recorded.`);
      }
      queries.invalidateQueries({ queryKey: ["files"] });
    },
  });
  // what was looked at is no longer what would be given
  const changes = (change: () => void) => {
    change();
    draft.reset();
    give.reset();
  };
  const readable = copies.flatMap((c) => c.stillReadable);
  return {
    papers,
    setPapers: (next: typeof papers) => changes(() => setPapers(next)),
    reader,
    setReader: (next: string) => changes(() => setReader(next)),
    readers,
    known,
    wish: { marks, foot, open: wish.open },
    setWish: (next: Partial<Wish>) => changes(() => setWish({ ...wish, ...next })),
    as,
    setAs,
    title,
    setTitle,
    draft,
    lookAgain: () => changes(() => draft.mutate()),
    readable,
    evenIfReadable,
    setEvenIfReadable,
    give,
    mayGive: draft.data !== undefined && (readable.length === 0 || evenIfReadable),
    covered: copies.reduce((sum, c) => sum + c.covered, 0),
  };
}

export type Copies = ReturnType<typeof useCopies>;

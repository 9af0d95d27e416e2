import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Alert, Button, Input, Select } from "antd";
import { useEffect, useState } from "react";
import { answer, api, done, type Shape, wordsOf } from "../../api/client";
import { Loaded } from "../../ui/Quiet";
import { ledgerOptions } from "../people/fileQueries";
import { Conversation } from "./Conversation";

/** What guests and the practice write to each other about a person. */
export function FileMessages({ fileId, mayChange }: { fileId: string; mayChange: boolean }) {
  const queryKey = ["files", fileId, "messages"];
  const conversations = useQuery({
    queryKey,
    queryFn: () => answer(api.GET("/api/files/{id}/messages", { params: { path: { id: fileId } } })),
  });
  const isUnseen = (conversations.data ?? []).some((c) => c.messages.some((m) => m.fromGuest && !m.read));
  useEffect(() => {
    if (isUnseen && mayChange) {
      api.POST("/api/files/{id}/messages/read", { params: { path: { id: fileId } } }).catch(() => undefined);
    }
  }, [isUnseen, mayChange, fileId]);
  return (
    <Loaded query={conversations}>
      {(all) =>
        all.length === 0 ? (
          <p className="muted">A guest of this file can be written to here.</p>
        ) : (
          all.map((c) => (
            <section key={c.guestId} aria-label={`Messages with ${c.guestName}`}>
              <h3>{c.guestName}</h3>
              <Conversation messages={c.messages} fileId={c.fileId} isGuest={false}>
                {mayChange && <Write conversation={c} queryKey={queryKey} />}
              </Conversation>
            </section>
          ))
        )
      }
    </Loaded>
  );
}

function Write({ conversation: c, queryKey }: { conversation: Shape<"Conversation">; queryKey: string[] }) {
  const [words, setWords] = useState("");
  const [papers, setPapers] = useState<string[]>([]);
  const queries = useQueryClient();
  const ledger = useQuery({ ...ledgerOptions(c.fileId), enabled: words.length > 0 }).data;
  const held = [
    ...(ledger?.sections.flatMap((s) => s.slots.flatMap((slot) => slot.papers)) ?? []),
    ...(ledger?.otherPapers ?? []),
  ];
  const send = useMutation({
    mutationFn: () =>
      done(
        api.POST("/api/files/{id}/messages", {
          params: { path: { id: c.fileId } },
          body: { accountId: c.guestId, words, papers },
        }),
      ),
    onSuccess: async () => {
      setWords("");
      setPapers([]);
      await queries.invalidateQueries({ queryKey });
      await queries.invalidateQueries({ queryKey: ["files", c.fileId] });
    },
  });
  return (
    <div className="conversation-write">
      <Input.TextArea
        aria-label={`Write to ${c.guestName}`}
        placeholder={`Write to ${c.guestName}; a mail tells them that there is a message`}
        rows={2}
        maxLength={4000}
        value={words}
        onChange={(e) => setWords(e.target.value)}
      />
      {words.trim() && (
        <>
          <Select
            mode="multiple"
            aria-label="Papers shown with it"
            placeholder="papers shown with it"
            value={papers}
            onChange={setPapers}
            showSearch={{ optionFilterProp: "label" }}
            options={[...new Map(held.map((p) => [p.id, p.name]))].map(([value, label]) => ({
              value,
              label,
            }))}
          />
          <Button type="primary" loading={send.isPending} onClick={() => send.mutate()}>
            Send
          </Button>
        </>
      )}
      {send.error && <Alert type="error" title={wordsOf(send.error)} />}
    </div>
  );
}

import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { answer, api, done, fieldWords, type Shape, wordsOf } from "../../api/client";
import { Conversation } from "./Conversation";

const messagesOptions = {
  queryKey: ["portal", "messages"],
  queryFn: () => answer(api.GET("/api/portal/messages")),
};

/** What a guest and the practice write to each other, person by person. @param only the one person shown @param sent what can go with a message */
export function PortalMessages({ only, sent }: { only?: string; sent: Shape<"SentPaper">[] }) {
  const all = useQuery(messagesOptions).data ?? [];
  const shown = all.filter((c) => !only || c.fileId === only);
  const isUnseen = shown.some((c) => c.messages.some((m) => !m.fromGuest && !m.read));
  useEffect(() => {
    if (isUnseen) {
      api.POST("/api/portal/messages/read").catch(() => undefined);
    }
  }, [isUnseen]);
  if (shown.length === 0) {
    return null;
  }
  return (
    <>
      <h2>Messages</h2>
      {shown.map((c) => (
        <div key={c.fileId} className="portal-card">
          {shown.length > 1 && <strong>About {c.personName}</strong>}
          <Conversation messages={c.messages} fileId={c.fileId} isGuest>
            <Write
              fileId={c.fileId}
              label={`Write to us about ${c.personName}`}
              sent={sent.filter((p) => p.fileId === c.fileId && p.state === "RECEIVED")}
            />
          </Conversation>
        </div>
      ))}
    </>
  );
}

function Write({ fileId, label, sent }: { fileId: string; label: string; sent: Shape<"SentPaper">[] }) {
  const [withIt, setWithIt] = useState<string[]>([]);
  const [words, setWords] = useState("");
  const queries = useQueryClient();
  const send = useMutation({
    mutationFn: () => done(api.POST("/api/portal/messages", { body: { fileId, words, sent: withIt } })),
    onSuccess: async () => {
      setWords("");
      setWithIt([]);
      await queries.invalidateQueries({ queryKey: messagesOptions.queryKey });
    },
  });
  return (
    <form
      onSubmit={(e) => {
        e.preventDefault();
        if (words.trim()) {
          send.mutate();
        }
      }}
    >
      <textarea
        aria-label={label}
        placeholder={label}
        rows={2}
        maxLength={4000}
        value={words}
        onChange={(e) => setWords(e.target.value)}
      />
      {words.trim() && sent.length > 0 && (
        <fieldset className="goes-with-it">
          <legend>Goes with it, of what you sent us</legend>
          {sent.map((paper) => (
            <label key={paper.id}>
              <input
                type="checkbox"
                checked={withIt.includes(paper.id)}
                onChange={(e) =>
                  setWithIt((all) =>
                    e.target.checked ? [...all, paper.id] : all.filter((id) => id !== paper.id),
                  )
                }
              />
              {paper.fileName}
            </label>
          ))}
        </fieldset>
      )}
      {send.error && (
        <div className="portal-told" role="alert">
          {fieldWords(send.error, "words") ?? wordsOf(send.error)}
        </div>
      )}
      {words.trim() && (
        <button type="submit" className="portal-big" disabled={send.isPending}>
          Send the message
        </button>
      )}
    </form>
  );
}

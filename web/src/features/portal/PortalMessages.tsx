import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { answer, api, done, fieldWords, wordsOf } from "../../api/client";
import { Conversation } from "./Conversation";

const messagesOptions = {
  queryKey: ["portal", "messages"],
  queryFn: () => answer(api.GET("/api/portal/messages")),
};

/** What a guest and the practice write to each other, person by person. @param only the one person shown */
export function PortalMessages({ only }: { only?: string }) {
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
          <Conversation messages={c.messages} isGuest>
            <Write fileId={c.fileId} label={`Write to us about ${c.personName}`} />
          </Conversation>
        </div>
      ))}
    </>
  );
}

function Write({ fileId, label }: { fileId: string; label: string }) {
  const [words, setWords] = useState("");
  const queries = useQueryClient();
  const send = useMutation({
    mutationFn: () => done(api.POST("/api/portal/messages", { body: { fileId, words } })),
    onSuccess: async () => {
      setWords("");
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

import { useMutation, useQueryClient } from "@tanstack/react-query";
import { Alert, Button, Input } from "antd";
import { useState } from "react";
import { api, done, fieldWords, wordsOf } from "../../api/client";
import { meOptions } from "../access/sessionQueries";

/** The screen goes back to the practice: a colleague gives the password. */
export function UnlockDesk({ onUnlocked }: { onUnlocked: () => unknown }) {
  const [asks, setAsks] = useState(false);
  const [password, setPassword] = useState("");
  const queries = useQueryClient();
  const unlock = useMutation({
    mutationFn: () => done(api.POST("/api/desk-unlock", { body: { password } })),
    onSuccess: async () => {
      queries.setQueryData(meOptions.queryKey, (me) => me && { ...me, lockedTo: [], lockedToTurn: null });
      await onUnlocked();
    },
  });
  if (!asks) {
    return (
      <Button type="text" className="signing-back" onClick={() => setAsks(true)}>
        Back to the practice
      </Button>
    );
  }
  return (
    <form
      className="signing-unlock"
      onSubmit={(e) => {
        e.preventDefault();
        unlock.mutate();
      }}
    >
      <span className="muted">
        For colleagues: the screen goes back with the password of whoever is signed in.
      </span>
      <Input.Password
        aria-label="Password to unlock"
        placeholder="password"
        autoFocus
        value={password}
        onChange={(e) => setPassword(e.target.value)}
      />
      {unlock.error && (
        <Alert type="error" title={fieldWords(unlock.error, "code") ?? wordsOf(unlock.error)} />
      )}
      <Button htmlType="submit" loading={unlock.isPending} disabled={password === ""}>
        Unlock
      </Button>
      <Button type="text" onClick={() => setAsks(false)}>
        Go on signing
      </Button>
    </form>
  );
}

import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { type ReactNode, useState } from "react";
import { askAt } from "../../api/askAt";
import { Problem, wordsOf } from "../../api/client";
import { practiceOptions } from "../../api/practice";
import { tellMomentsIn } from "../../ui/days";
import { PlainAlert, PlainField } from "../../ui/PlainForm";
import { Loaded } from "../../ui/Quiet";
import "./access.css";

/** What is told before a code was shown. */
type AtDoor = { practice: string; to: string; open: boolean };

type CodeDoorProps = {
  /** Where the API behind the link begins. */
  base: string;
  /** What waits behind it and why a code is needed; the address follows. */
  why: string;
  children: ReactNode;
};

/** The way in for somebody without an account: a link, and a code that was sent to the same address. */
export function CodeDoor({ base, why, children }: CodeDoorProps) {
  const practice = useQuery(practiceOptions);
  const door = useQuery({
    queryKey: ["door", base],
    queryFn: () => askAt<AtDoor>(`${base}/door`),
    retry: false,
  });
  if (practice.data) {
    tellMomentsIn(practice.data.zone);
  }
  if (door.error instanceof Problem) {
    return (
      <main className="door">
        <div className="door-sheet">
          <h1>{practice.data?.name}</h1>
          <PlainAlert>{door.error.message}</PlainAlert>
        </div>
      </main>
    );
  }
  return (
    <Loaded query={door}>
      {(data) => (data.open ? children : <Code base={base} door={data} why={why} />)}
    </Loaded>
  );
}

function Code({ base, door, why }: { base: string; door: AtDoor; why: string }) {
  const [code, setCode] = useState("");
  const queries = useQueryClient();
  const send = useMutation({ mutationFn: () => askAt(`${base}/code`, {}) });
  const enter = useMutation({
    mutationFn: () => askAt(`${base}/enter`, { code }),
    onSuccess: () => queries.invalidateQueries({ queryKey: ["door", base] }),
  });
  const wrong = enter.error ?? send.error;
  return (
    <main className="door">
      <form
        className="door-sheet"
        onSubmit={(e) => {
          e.preventDefault();
          if (send.isSuccess) {
            enter.mutate();
          } else {
            send.mutate();
          }
        }}
      >
        <h1>{door.practice}</h1>
        {send.isSuccess ? (
          <>
            <p>
              We sent a code to <strong>{door.to}</strong>. It holds for 15 minutes.
            </p>
            <PlainField
              label="Code"
              value={code}
              onChange={setCode}
              autoComplete="one-time-code"
              autoFocus
              maxLength={12}
            />
          </>
        ) : (
          <p>
            {why} <strong>{door.to}</strong> first.
          </p>
        )}
        {wrong && <PlainAlert>{wordsOf(wrong)}</PlainAlert>}
        <button
          type="submit"
          className="big-button"
          disabled={send.isPending || enter.isPending || (send.isSuccess && code.trim() === "")}
        >
          {send.isSuccess ? "Go on" : "Send me the code"}
        </button>
        {send.isSuccess && (
          <button type="button" className="linklike door-other" onClick={() => send.mutate()}>
            Send another one
          </button>
        )}
      </form>
    </main>
  );
}

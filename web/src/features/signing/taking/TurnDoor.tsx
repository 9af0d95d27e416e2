import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { useParams } from "react-router";
import { Problem, type Shape, wordsOf } from "../../../api/client";
import { practiceOptions } from "../../../api/practice";
import { tellMomentsIn } from "../../../ui/days";
import { PlainAlert, PlainField } from "../../../ui/PlainForm";
import { Loaded } from "../../../ui/Quiet";
import "../../access/access.css";
import { TurnPage } from "./TurnPage";
import { ask, byLink } from "./turnCalls";

/** The way in for somebody without an account: a link, and a code that was sent to the same address. */
export function TurnDoor() {
  const { token = "" } = useParams();
  const practice = useQuery(practiceOptions);
  const door = useQuery({
    queryKey: ["sign", token, "door"],
    queryFn: () => ask<Shape<"Door">>(byLink(token), "/door"),
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
      {(data) => (data.open ? <TurnPage door={byLink(token)} /> : <Code token={token} door={data} />)}
    </Loaded>
  );
}

function Code({ token, door }: { token: string; door: Shape<"Door"> }) {
  const [code, setCode] = useState("");
  const queries = useQueryClient();
  const send = useMutation({ mutationFn: () => ask(byLink(token), "/code", {}) });
  const enter = useMutation({
    mutationFn: () => ask(byLink(token), "/enter", { code }),
    onSuccess: () => queries.invalidateQueries({ queryKey: ["sign", token] }),
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
            A paper waits for your signature. So that nobody else signs in your name, we send a code to{" "}
            <strong>{door.to}</strong> first.
          </p>
        )}
        {wrong && <PlainAlert>{wordsOf(wrong)}</PlainAlert>}
        <button
          type="submit"
          className="turn-big"
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

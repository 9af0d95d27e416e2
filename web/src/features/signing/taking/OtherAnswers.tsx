import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { wordsOf } from "../../../api/client";
import { PlainAlert, PlainField } from "../../../ui/PlainForm";
import { ask, type Door, type Turn } from "./turnCalls";

type Other = "decline" | "question" | "pass-on";

/** To say no, to ask back, or to let somebody else sign. */
export function OtherAnswers({
  turn,
  door,
  onDone,
}: {
  turn: Turn;
  door: Door;
  onDone: (turn: Turn | undefined) => void;
}) {
  const [other, setOther] = useState<Other>();
  const approver = turn.task === "APPROVE";
  return (
    <div className="turn-others">
      {!door.atDesk && (
        <button type="button" aria-pressed={other === "question"} onClick={() => setOther("question")}>
          Ask something first
        </button>
      )}
      <button type="button" aria-pressed={other === "decline"} onClick={() => setOther("decline")}>
        {approver ? "Send it back" : "I do not sign"}
      </button>
      {turn.mayPassOn && !door.atDesk && (
        <button type="button" aria-pressed={other === "pass-on"} onClick={() => setOther("pass-on")}>
          Somebody else signs
        </button>
      )}
      {other && (
        <Answer
          key={other}
          other={other}
          approver={approver}
          door={door}
          onClose={() => setOther(undefined)}
          onDone={(answer) => {
            setOther(undefined);
            onDone(answer);
          }}
        />
      )}
    </div>
  );
}

function Answer({
  other,
  approver,
  door,
  onClose,
  onDone,
}: {
  other: Other;
  approver: boolean;
  door: Door;
  onClose: () => void;
  onDone: (turn: Turn | undefined) => void;
}) {
  const [words, setWords] = useState("");
  const [name, setName] = useState("");
  const [email, setEmail] = useState("");
  const send = useMutation({
    mutationFn: () =>
      other === "pass-on"
        ? ask(door, "/pass-on", { name, email })
        : ask(door, other === "decline" ? "/decline" : "/questions", { words }),
    onSuccess: onDone,
  });
  const label = {
    decline: approver ? "What is to be put right?" : "Why do you not sign?",
    question: "What would you like to know?",
    "pass-on": "",
  }[other];
  const button = {
    decline: approver ? "Send it back" : "Say no",
    question: "Send the question",
    "pass-on": "Pass it on",
  }[other];
  const empty = other === "pass-on" ? name.trim() === "" || email.trim() === "" : words.trim() === "";
  return (
    <form
      className="turn-answer"
      onSubmit={(e) => {
        e.preventDefault();
        send.mutate();
      }}
    >
      {other === "pass-on" ? (
        <>
          <PlainField label="Who signs instead?" value={name} onChange={setName} maxLength={120} autoFocus />
          <PlainField label="Mail address" type="email" value={email} onChange={setEmail} maxLength={254} />
        </>
      ) : (
        <label>
          {label}
          <textarea rows={3} maxLength={2000} value={words} onChange={(e) => setWords(e.target.value)} />
        </label>
      )}
      {other === "decline" && (
        <p className="muted">
          {approver
            ? "The request ends, and whoever asked reads this."
            : "The request ends for everybody, and the practice reads this."}
        </p>
      )}
      {send.error && <PlainAlert>{wordsOf(send.error)}</PlainAlert>}
      <div className="turn-line">
        <button type="button" onClick={onClose}>
          Cancel
        </button>
        <button type="submit" className="big-button" disabled={empty || send.isPending}>
          {button}
        </button>
      </div>
    </form>
  );
}

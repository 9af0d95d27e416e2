import { useMutation, useQueryClient } from "@tanstack/react-query";
import { App } from "antd";
import { Link } from "react-router";
import { api, done, type Shape, wordsOf } from "../../../api/client";
import { useMayChange } from "../../asof/asOf";
import type { Telling } from "../planQueries";

/** What a mail tells, each with the reason. */
export function Tellings({ tellings }: { tellings: Telling[] }) {
  return (
    <>
      <h3>Why</h3>
      <ul className="plain-list why-list">
        {tellings.map((t) => (
          <li key={JSON.stringify(t.turn)}>
            <Link to={`/files/${t.fileId}`}>{t.person}</Link>, {t.label}
            <div className="muted">{t.why}</div>
          </li>
        ))}
      </ul>
    </>
  );
}

/** What does not go out on a day that had come for it, with the reason; what somebody holds can be released. */
export function LeftOut({ left }: { left: Shape<"LeftOutAnswer">[] }) {
  const mayChange = useMayChange();
  const { message } = App.useApp();
  const queries = useQueryClient();
  const release = useMutation({
    mutationFn: (turn: Shape<"TurnKey">) =>
      done(api.POST("/api/planned-notices/release", { body: { turns: [turn], again: false } })),
    onSuccess: () => queries.invalidateQueries({ queryKey: ["chasing"] }),
    onError: (error) => message.error(wordsOf(error)),
  });
  if (left.length === 0) {
    return null;
  }
  return (
    <ul className="plain-list left-out" aria-label="Does not go out">
      {left.map(({ telling, words, reason }) => (
        <li key={JSON.stringify(telling.turn)}>
          <span className="muted">Not told:</span>{" "}
          <Link to={`/files/${telling.fileId}`}>{telling.person}</Link>, {telling.label}
          <div className={reason === "UNREACHABLE" || reason === "NO_ADDRESS" ? "clay" : "muted"}>
            {words}.{" "}
            {reason === "HELD" && mayChange && (
              <button type="button" className="linklike" onClick={() => release.mutate(telling.turn)}>
                Release
              </button>
            )}
          </div>
        </li>
      ))}
    </ul>
  );
}

import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Alert, App, Button, Checkbox, Modal } from "antd";
import { useState } from "react";
import { Link } from "react-router";
import { answer, api, type Shape, wordsOf } from "../../../api/client";
import { day, moment } from "../../../ui/days";
import { PlainField } from "../../../ui/PlainForm";
import { Loaded, QuietEmpty } from "../../../ui/Quiet";
import { SeenPage } from "../taking/SeenPage";
import { type Given, SignatureMark } from "../taking/SignatureMark";
import { ask, byAccount } from "../taking/turnCalls";
import "../taking/turn.css";

type MyTurn = Shape<"MyTurn">;

/** What waits for me: one by one, or many looked through one after the other and confirmed once. */
export function ReviewTurns({ turns }: { turns: MyTurn[] }) {
  const [chosen, setChosen] = useState<string[]>([]);
  const [looking, setLooking] = useState(false);
  const toSign = turns.filter((t) => t.task === "SIGN");
  if (turns.length === 0) {
    return (
      <QuietEmpty title="Nothing waits for your signature">
        <p>Whatever is asked of you stands here and in Today.</p>
      </QuietEmpty>
    );
  }
  return (
    <>
      {toSign.length > 1 && (
        <div className="signing-chosen">
          <Checkbox
            checked={chosen.length === toSign.length}
            indeterminate={chosen.length > 0 && chosen.length < toSign.length}
            onChange={(e) => setChosen(e.target.checked ? toSign.map((t) => t.turnId) : [])}
          >
            all
          </Checkbox>
          <Button type="primary" size="small" disabled={chosen.length === 0} onClick={() => setLooking(true)}>
            Look through and sign {chosen.length > 0 ? chosen.length : "them"}
          </Button>
        </div>
      )}
      <ul className="plain-list signing-mine">
        {turns.map((turn) => (
          <li key={turn.turnId}>
            {toSign.length > 1 && (
              <Checkbox
                aria-label={`Choose ${turn.papers.join(", ")} of ${turn.person}`}
                disabled={turn.task !== "SIGN"}
                checked={chosen.includes(turn.turnId)}
                onChange={(e) =>
                  setChosen(
                    e.target.checked ? [...chosen, turn.turnId] : chosen.filter((id) => id !== turn.turnId),
                  )
                }
              />
            )}
            <div>
              <Link to={`/signing/turns/${turn.turnId}`}>
                <strong>{turn.papers.join(", ")}</strong>
              </Link>{" "}
              <span>{turn.person}</span>
              <div className="muted">
                {turn.task === "APPROVE" ? "to look through" : "to sign"}, asked by {turn.askedBy}{" "}
                {moment(turn.since)}
                {turn.forName && ` · for ${turn.forName}`}
                {turn.dueOn && ` · wanted by ${day(turn.dueOn)}`}
              </div>
              {turn.message && <div className="signing-words">{turn.message}</div>}
            </div>
            <Link to={`/signing/turns/${turn.turnId}`} className="signing-go">
              {turn.task === "APPROVE" ? "Look at it" : "Read and sign"}
            </Link>
          </li>
        ))}
      </ul>
      {looking && (
        <LookThrough
          turns={toSign.filter((t) => chosen.includes(t.turnId))}
          onClose={() => {
            setLooking(false);
            setChosen([]);
          }}
        />
      )}
    </>
  );
}

/** One after the other, page by page; what was not shown cannot be signed. */
function LookThrough({ turns, onClose }: { turns: MyTurn[]; onClose: () => void }) {
  const [at, setAt] = useState(0);
  const [seen, setSeen] = useState<string[]>([]);
  const turn = turns[at];
  return (
    <Modal
      open
      title={
        turn
          ? `${at + 1} of ${turns.length}: ${turn.papers.join(", ")}, ${turn.person}`
          : `Sign ${seen.length} ${seen.length === 1 ? "request" : "requests"}`
      }
      width={900}
      style={{ top: 24 }}
      footer={null}
      onCancel={onClose}
      destroyOnHidden
    >
      {turn ? (
        <Look
          key={turn.turnId}
          turn={turn}
          onNext={(isSeen) => {
            if (isSeen) {
              setSeen([...seen, turn.turnId]);
            }
            setAt(at + 1);
          }}
        />
      ) : (
        <SignThem turns={seen} onClose={onClose} />
      )}
    </Modal>
  );
}

function Look({ turn, onNext }: { turn: MyTurn; onNext: (seen: boolean) => void }) {
  const door = byAccount(turn.turnId);
  const data = useQuery({ queryKey: ["turns", door.base], queryFn: () => ask(door, "") });
  const [shown, setShown] = useState<string[]>([]);
  return (
    <Loaded query={data}>
      {(full) => {
        const pages = full.papers.flatMap((p) =>
          Array.from({ length: p.pages }, (_, i) => ({ paper: p, page: i + 1, key: `${p.id} ${i + 1}` })),
        );
        const fills = full.papers.some((p) => p.fields.some((f) => f.kind === "TEXT" || f.kind === "TICK"));
        const all = pages.every((p) => shown.includes(p.key));
        return (
          <div className="look-through">
            {/* biome-ignore lint/a11y/noNoninteractiveTabindex: a scrolling area must be reachable by keyboard */}
            <section className="page-desk look-pages" tabIndex={0} aria-label="Pages">
              {pages.map(({ paper, page, key }) => (
                <div key={key} className="page-sheet" style={{ width: 760 }}>
                  <SeenPage
                    source={`${door.base}/papers/${paper.id}/pages/${page}?width=1400`}
                    alt={`${paper.name}, page ${page} of ${paper.pages}`}
                    height={980}
                    onSeen={() => setShown((before) => (before.includes(key) ? before : [...before, key]))}
                  />
                </div>
              ))}
            </section>
            {fills && (
              <Alert type="info" title="This one has fields to fill in. Sign it by itself from the list." />
            )}
            <div className="buttons">
              <Button type="primary" disabled={!all || fills} onClick={() => onNext(true)}>
                {all
                  ? "Seen, next"
                  : `${pages.length - shown.length} of ${pages.length} pages still to be seen`}
              </Button>
              <Button onClick={() => onNext(false)}>Leave this one out</Button>
            </div>
          </div>
        );
      }}
    </Loaded>
  );
}

function SignThem({ turns, onClose }: { turns: string[]; onClose: () => void }) {
  const [given, setGiven] = useState<Given>();
  const [keeps, setKeeps] = useState(false);
  const [secret, setSecret] = useState("");
  const first = useQuery({
    queryKey: ["turns", byAccount(turns[0] ?? "").base],
    queryFn: () => ask(byAccount(turns[0] ?? ""), ""),
    enabled: turns.length > 0,
  }).data;
  const { message, modal } = App.useApp();
  const queries = useQueryClient();
  const sign = useMutation({
    mutationFn: () =>
      answer(
        api.POST("/api/my-signatures/sign", {
          body: { turns, signature: given ?? {}, secret: secret || null },
        }),
      ),
    onSuccess: (result) => {
      queries.invalidateQueries({ queryKey: ["my-signatures"] });
      queries.invalidateQueries({ queryKey: ["files"] });
      message.success(`Signed ${result.signed}.`);
      if (result.notSigned.length > 0) {
        modal.info({
          title: `${result.notSigned.length} not signed`,
          content: [...new Set(result.notSigned.map((n) => n.why))].join(" "),
        });
      }
      onClose();
    },
  });
  if (turns.length === 0) {
    return (
      <p>
        You left all of them out. <Button onClick={onClose}>Close</Button>
      </p>
    );
  }
  return (
    <div className="turn-give">
      <SignatureMark given={given} onChange={setGiven} keeps={keeps} onKeeps={setKeeps} />
      {first && first.secret !== "NONE" && (
        <PlainField
          label={first.secret === "PASSWORD" ? "Your password, once more" : "The code your device shows"}
          type={first.secret === "PASSWORD" ? "password" : "text"}
          value={secret}
          onChange={setSecret}
        />
      )}
      {sign.error && <Alert type="error" title={wordsOf(sign.error)} />}
      <div className="buttons">
        <Button
          type="primary"
          size="large"
          disabled={!given}
          loading={sign.isPending}
          onClick={() => sign.mutate()}
        >
          I have read them and sign {turns.length}
        </Button>
      </div>
    </div>
  );
}

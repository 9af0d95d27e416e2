import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Alert, App, Button, Drawer, Input, Modal } from "antd";
import { useState } from "react";
import { Link } from "react-router";
import { api, done, type Shape, wordsOf } from "../../../api/client";
import { practiceOptions } from "../../../api/practice";
import { DayField } from "../../../ui/DayField";
import { day, distance, moment } from "../../../ui/days";
import { Pages } from "../../../ui/Pages";
import { Loaded } from "../../../ui/Quiet";
import { meOptions } from "../../access/sessionQueries";
import { requestOptions } from "./requestQueries";
import { STATES } from "./rows";

type Request = Shape<"RequestAnswer">;
type Turn = Shape<"TurnRow">;

type RequestDrawerProps = { id: string; onClose: () => void; onOpen: (id: string) => void };

/** One request: its whole way in words, what signers ask, and what can be done with it. */
export function RequestDrawer({ id, onClose, onOpen }: RequestDrawerProps) {
  const request = useQuery(requestOptions(id));
  return (
    <Drawer
      open
      size={520}
      title={request.data?.row.papers.map((p) => p.type).join(", ") ?? "Request"}
      onClose={onClose}
    >
      <Loaded query={request}>{(data) => <Details request={data} onOpen={onOpen} />}</Loaded>
    </Drawer>
  );
}

function useAct() {
  const queries = useQueryClient();
  const { message } = App.useApp();
  return useMutation({
    mutationFn: (call: () => Promise<unknown>) => done(call()),
    onSuccess: () => {
      queries.invalidateQueries({ queryKey: ["signature-requests"] });
      queries.invalidateQueries({ queryKey: ["files"] });
      queries.invalidateQueries({ queryKey: ["my-signatures"] });
    },
    onError: (error) => message.error(wordsOf(error)),
  });
}

function Details({ request, onOpen }: { request: Request; onOpen: (id: string) => void }) {
  const { row } = request;
  const act = useAct();
  const { modal } = App.useApp();
  const [due, setDue] = useState<string>();
  const path = { id: row.id };
  const open = row.state === "OPEN";
  const withdraw = () => {
    let reason = "";
    modal.confirm({
      title: "Withdraw this request?",
      content: (
        <>
          <p>Nobody can sign it any more. Signatures already given are kept on a sealed copy.</p>
          <Input
            placeholder="why, may stay empty"
            onChange={(e) => {
              reason = e.target.value;
            }}
          />
        </>
      ),
      okText: "Withdraw",
      onOk: () =>
        act.mutateAsync(() =>
          api.POST("/api/signature-requests/{id}/withdraw", { params: { path }, body: { reason } }),
        ),
    });
  };
  return (
    <div className="request-details">
      <p>
        <Link to={`/files/${row.fileId}?paper=${row.papers[0]?.id}`}>{row.person}</Link>
        <span className="muted">
          {" "}
          · asked by {row.askedBy}, {moment(row.askedAt)}
        </span>
      </p>
      {!open && (
        <Alert
          type={row.state === "COMPLETE" ? "success" : "warning"}
          title={
            row.sealing
              ? "Signed. The sealed copy is made as soon as the time can be stamped."
              : capital(STATES[row.state])
          }
          description={row.endReason}
          action={
            request.replacedBy && (
              <Button size="small" onClick={() => onOpen(request.replacedBy ?? "")}>
                The new one
              </Button>
            )
          }
        />
      )}
      <ul className="plain-list">
        {row.papers.map((p) => (
          <li key={p.id}>
            <Link to={`/files/${row.fileId}?paper=${p.id}`}>{p.name}</Link>
          </li>
        ))}
      </ul>
      {request.message && <blockquote className="turn-message">{request.message}</blockquote>}
      <ol className="plain-list request-way">
        {row.way.map((turn) => (
          <OneTurn key={turn.id} request={request} turn={turn} />
        ))}
      </ol>
      {request.questions.map((q) => (
        <Question key={q.id} requestId={row.id} question={q} mayAnswer={open && request.mayRun} />
      ))}
      {open && request.mayRun && (
        <div className="request-acts">
          <div className="ask-line">
            <span>Wanted by</span>
            <DayField label="Wanted by" value={due ?? row.dueOn ?? ""} onChange={(d) => setDue(d ?? "")} />
            {due !== undefined && due !== (row.dueOn ?? "") && (
              <Button
                size="small"
                onClick={() =>
                  act.mutate(() =>
                    api.PUT("/api/signature-requests/{id}/due", {
                      params: { path },
                      body: { dueOn: due || null },
                    }),
                  )
                }
              >
                Move it
              </Button>
            )}
          </div>
          <Button danger onClick={withdraw}>
            Withdraw
          </Button>
        </div>
      )}
    </div>
  );
}

const capital = (words: string) => words.charAt(0).toUpperCase() + words.slice(1);

/** The whole way of one signer in words. */
function story(turn: Turn, today: string): string {
  const parts: string[] = [];
  if (turn.outcome === "DONE" && turn.doneAt) {
    parts.push(`${turn.task === "APPROVE" ? "passed it on" : "signed"} ${moment(turn.doneAt)}`);
    if (turn.how) {
      parts.push(turn.how);
    }
  } else if (turn.outcome === "DECLINED" || turn.outcome === "SENT_BACK") {
    parts.push(turn.outcome === "DECLINED" ? "said no" : "sent it back");
  } else if (turn.outcome === "TO_CONFIRM") {
    parts.push("came back on paper");
  } else if (turn.now) {
    parts.push(turn.toldAt ? `sent ${moment(turn.toldAt)}` : "not sent yet");
    if (turn.deliveredAt && !turn.openedAt) {
      parts.push(`delivered ${moment(turn.deliveredAt)}`);
    }
    parts.push(turn.openedAt ? `opened ${moment(turn.openedAt)}` : "not opened");
    if (turn.remindedAt) {
      parts.push(
        `reminded ${turn.reminders === 1 ? "once" : `${turn.reminders} times`}, last ${moment(turn.remindedAt)}`,
      );
    }
    if (turn.nextReminder) {
      parts.push(`next reminder ${distance(turn.nextReminder, today)}, ${day(turn.nextReminder)}`);
    }
  } else {
    parts.push("comes later");
  }
  return parts.join(" · ");
}

function OneTurn({ request, turn }: { request: Request; turn: Turn }) {
  const today = useQuery(practiceOptions).data?.today ?? "";
  const act = useAct();
  const { message } = App.useApp();
  const [changes, setChanges] = useState(false);
  const [looks, setLooks] = useState(false);
  const queries = useQueryClient();
  // the screen shows nothing else from now on: the routes know by the session
  const handOver = () =>
    act.mutate(() => api.POST("/api/desk-turns/{turnId}/lock", { params: { path: { turnId: turn.id } } }), {
      onSuccess: () =>
        queries.setQueryData(meOptions.queryKey, (me) => me && { ...me, lockedToTurn: turn.id }),
    });
  const path = { id: request.row.id, turnId: turn.id };
  const open = request.row.state === "OPEN" && turn.outcome === "OPEN" && request.mayRun;
  return (
    <li className={turn.now ? "now" : undefined}>
      <div>
        <strong>{turn.name}</strong>{" "}
        <span className="muted">{turn.task === "APPROVE" ? "looks through it" : turn.role}</span>
        <div className="muted">{story(turn, today)}</div>
        {turn.reason && <div>“{turn.reason}”</div>}
        {turn.now && turn.notDelivered && <div className="clay">Not delivered: {turn.notDelivered}</div>}
        {turn.now && !turn.colleague && !turn.email && (
          <div className="clay">No address: add one, or print it for a pen</div>
        )}
      </div>
      {turn.outcome === "TO_CONFIRM" && request.mayRun && (
        <Button size="small" type="primary" onClick={() => setLooks(true)}>
          Look at it
        </Button>
      )}
      {looks && <CameBack turn={turn} requestId={request.row.id} onClose={() => setLooks(false)} />}
      {open && (
        <div className="buttons">
          {turn.now && turn.task === "SIGN" && (
            <Button size="small" onClick={handOver}>
              Sign here at the desk
            </Button>
          )}
          {turn.now && turn.task === "SIGN" && (
            <Button
              size="small"
              href={`/api/signature-requests/${request.row.id}/turns/${turn.id}/print`}
              target="_blank"
            >
              Print for a pen
            </Button>
          )}
          {turn.now && (turn.colleague || turn.email) && (
            <Button
              size="small"
              onClick={() =>
                act.mutate(
                  () => api.POST("/api/signature-requests/{id}/turns/{turnId}/remind", { params: { path } }),
                  { onSuccess: () => message.success(`${turn.name} is reminded.`) },
                )
              }
            >
              Remind
            </Button>
          )}
          <Button size="small" onClick={() => setChanges(true)}>
            Change
          </Button>
        </div>
      )}
      {changes && <ChangeSigner turn={turn} requestId={request.row.id} onClose={() => setChanges(false)} />}
    </li>
  );
}

/** What came back signed with a pen, for whoever asked to look at. */
function CameBack({ turn, requestId, onClose }: { turn: Turn; requestId: string; onClose: () => void }) {
  const act = useAct();
  const path = { id: requestId, turnId: turn.id };
  const look = (signed: boolean) =>
    act.mutate(
      () =>
        api.POST("/api/signature-requests/{id}/turns/{turnId}/look", { params: { path }, body: { signed } }),
      { onSuccess: onClose },
    );
  return (
    <Modal
      open
      width={820}
      style={{ top: 24 }}
      title={`Signed by ${turn.name}?`}
      footer={null}
      onCancel={onClose}
    >
      <div className="look-through">
        {turn.scanWords && <Alert type="warning" title={turn.scanWords} />}
        {/* biome-ignore lint/a11y/noNoninteractiveTabindex: a scrolling area must be reachable by keyboard */}
        <section className="page-desk look-pages" tabIndex={0} aria-label="What came back">
          <Pages
            count={turn.scanPages}
            width={700}
            name={`What ${turn.name} sent back`}
            source={(page) =>
              `/api/signature-requests/${requestId}/turns/${turn.id}/scan/pages/${page}?width=1400`
            }
          />
        </section>
        <div className="buttons">
          <Button type="primary" loading={act.isPending} onClick={() => look(true)}>
            It is signed
          </Button>
          <Button onClick={() => look(false)}>It is not</Button>
        </div>
      </div>
    </Modal>
  );
}

function ChangeSigner({ turn, requestId, onClose }: { turn: Turn; requestId: string; onClose: () => void }) {
  const [name, setName] = useState(turn.name);
  const [email, setEmail] = useState(turn.email ?? "");
  const queries = useQueryClient();
  const change = useMutation({
    mutationFn: () =>
      done(
        api.PUT("/api/signature-requests/{id}/turns/{turnId}", {
          params: { path: { id: requestId, turnId: turn.id } },
          body: { step: turn.step, task: turn.task, name, email: email.trim() || null },
        }),
      ),
    onSuccess: () => {
      queries.invalidateQueries({ queryKey: ["signature-requests"] });
      onClose();
    },
  });
  return (
    <Modal
      open
      title={`Who signs instead of ${turn.name}?`}
      okText="Ask"
      confirmLoading={change.isPending}
      onOk={() => change.mutate()}
      onCancel={onClose}
    >
      <div className="request-change">
        <div>
          <span>Name</span>
          <Input aria-label="Name" value={name} maxLength={120} onChange={(e) => setName(e.target.value)} />
        </div>
        <div>
          <span>Mail address</span>
          <Input
            aria-label="Mail address"
            value={email}
            maxLength={254}
            onChange={(e) => setEmail(e.target.value)}
          />
        </div>
        <p className="muted">
          The address of a colleague's account makes it that colleague. Links sent before end.
        </p>
        {change.error && <Alert type="error" title={wordsOf(change.error)} />}
      </div>
    </Modal>
  );
}

function Question({
  requestId,
  question,
  mayAnswer,
}: {
  requestId: string;
  question: Shape<"QuestionRow">;
  mayAnswer: boolean;
}) {
  const [words, setWords] = useState("");
  const act = useAct();
  return (
    <div className="turn-talk">
      <p>
        <strong>{question.askedBy}</strong> asks: {question.question}
      </p>
      {question.answer ? (
        <p>
          <strong>{question.answeredBy}:</strong> {question.answer}
        </p>
      ) : (
        mayAnswer && (
          <div className="ask-line">
            <Input
              aria-label="Your answer"
              placeholder="your answer"
              value={words}
              maxLength={2000}
              onChange={(e) => setWords(e.target.value)}
            />
            <Button
              size="small"
              disabled={words.trim() === ""}
              onClick={() =>
                act.mutate(() =>
                  api.POST("/api/signature-requests/{id}/questions/{questionId}/answer", {
                    params: { path: { id: requestId, questionId: question.id } },
                    body: { words },
                  }),
                )
              }
            >
              Answer
            </Button>
          </div>
        )
      )}
    </div>
  );
}

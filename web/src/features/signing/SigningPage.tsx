import { CheckOutlined } from "@ant-design/icons";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Alert, App, Button, Input, Segmented } from "antd";
import { useEffect, useRef, useState } from "react";
import { useNavigate, useParams, useSearchParams } from "react-router";
import { answer, api, done, fieldWords, type Shape, wordsOf } from "../../api/client";
import { moment } from "../../ui/days";
import { Pages } from "../../ui/Pages";
import { Loaded } from "../../ui/Quiet";
import { meOptions } from "../access/sessionQueries";
import { PenBox } from "./PenBox";
import "./signing.css";
import { signingOptions } from "./signingQueries";
import { UnlockDesk } from "./UnlockDesk";

type Signing = Shape<"SigningAnswer">;

/** A full screen for the desk: the paper in full at the left, whose turn it is at the right. It belongs to the signing. */
export function SigningPage({ id: given }: { id?: string }) {
  const { id = given ?? "" } = useParams();
  const [search] = useSearchParams();
  const then = search.get("then");
  const queries = useQueryClient();
  const isLocked = (useQuery(meOptions).data?.lockedTo.length ?? 0) > 0;
  const signing = useQuery(signingOptions(id));
  const isOpen = signing.data?.state === "OPEN";
  // the screen is handed over with the first paper, and once: whoever unlocks it gets it back
  const handedOver = useRef(isLocked);
  const [failed, setFailed] = useState<unknown>();
  useEffect(() => {
    handedOver.current ||= isLocked;
    if (isOpen && !failed && !handedOver.current) {
      handedOver.current = true;
      const signings = [id, ...(then?.split(",") ?? [])];
      done(api.POST("/api/desk-lock", { body: { signings } })).then(
        () => queries.setQueryData(meOptions.queryKey, (me) => me && { ...me, lockedTo: signings }),
        setFailed,
      );
    }
  }, [id, then, isOpen, isLocked, failed, queries]);
  if (failed) {
    const again = () => {
      handedOver.current = false;
      setFailed(undefined);
      signing.refetch();
    };
    return <Loaded query={{ error: failed, isPending: false, refetch: again }}>{() => null}</Loaded>;
  }
  return <Loaded query={signing}>{(data) => <Desk signing={data} isLocked={isLocked} />}</Loaded>;
}

function Desk({ signing, isLocked }: { signing: Signing; isLocked: boolean }) {
  const next = signing.state === "OPEN" ? signing.steps.find((s) => !s.signedAt) : undefined;
  return (
    <main className="signing">
      {/* biome-ignore lint/a11y/noNoninteractiveTabindex: a scrolling area must be reachable by keyboard */}
      <section className="page-desk" tabIndex={0} aria-label="The paper to sign">
        <Pages
          count={signing.pages}
          width={820}
          name={signing.name}
          source={(page) => `/api/desk-signings/${signing.id}/pages/${page}?width=1400`}
          over={(page) =>
            signing.steps
              .filter((s) => s.page === page)
              .map((s) => <PlaceOnPage key={s.role} signing={signing} step={s} now={s === next} />)
          }
        />
      </section>
      <aside className="signing-side">
        <div>
          <h1>{signing.name}</h1>
          <span className="muted">
            {signing.pages} {signing.pages === 1 ? "page" : "pages"}, shown in full at the left
          </span>
        </div>
        <Steps signing={signing} />
        {next ? <Turn key={next.role} signing={signing} step={next} /> : <Finished signing={signing} />}
        <ForThePractice signing={signing} isLocked={isLocked} />
      </aside>
    </main>
  );
}

function PlaceOnPage({ signing, step, now }: { signing: Signing; step: Shape<"StepAnswer">; now: boolean }) {
  const state = step.signedAt ? " signed" : now ? " now" : "";
  return (
    <div
      className={`sign-place${state}`}
      style={{ left: `${step.left * 100}%`, top: `${step.top * 100}%`, width: `${signing.boxWidth * 100}%` }}
    >
      {step.signer}, {step.roleLabel}
      {step.signedAt && <div>signed {moment(step.signedAt)}</div>}
    </div>
  );
}

function Steps({ signing }: { signing: Signing }) {
  return (
    <ol className="plain-list signing-steps" aria-label="Signers">
      {signing.steps.map((step) => (
        <li key={step.role}>
          <span className={step.signedAt ? "juniper" : "plum"}>
            {step.signedAt ? <CheckOutlined aria-label="signed" /> : "○"}
          </span>
          <span>
            <strong>{step.signer}</strong> <span className="muted">{step.roleLabel}</span>
            {step.signedAt && <span className="muted"> · {moment(step.signedAt)}</span>}
          </span>
        </li>
      ))}
    </ol>
  );
}

function Turn({ signing, step }: { signing: Signing; step: Shape<"StepAnswer"> }) {
  const [method, setMethod] = useState<"pen" | "typed">("pen");
  const [strokes, setStrokes] = useState<Shape<"Point">[][]>([]);
  const [typed, setTyped] = useState("");
  const [password, setPassword] = useState("");
  const queries = useQueryClient();
  const sign = useMutation({
    mutationFn: () =>
      answer(
        api.POST("/api/desk-signings/{id}/signatures", {
          params: { path: { id: signing.id } },
          body: {
            role: step.role,
            signature: method === "pen" ? { strokes } : { typed },
            ...(step.colleague ? { password } : {}),
          },
        }),
      ),
    onSuccess: (data) => queries.setQueryData(signingOptions(signing.id).queryKey, data),
  });
  const empty =
    (method === "pen" ? strokes.length === 0 : typed.trim() === "") || (step.colleague && password === "");
  return (
    <>
      <div>
        <h2>{step.signer}, please sign</h2>
        <span className="muted">
          as {step.roleLabel}, on page {step.page}
        </span>
      </div>
      <Segmented
        value={method}
        onChange={(m) => setMethod(m as "pen" | "typed")}
        options={[
          { label: "Draw it", value: "pen" },
          { label: "Type the name", value: "typed" },
        ]}
      />
      {method === "pen" ? (
        <div>
          <PenBox strokes={strokes} onChange={setStrokes} />
          <button type="button" className="linklike" disabled={empty} onClick={() => setStrokes([])}>
            Clear the box
          </button>
        </div>
      ) : (
        <div className="typed-name">
          <Input
            aria-label="Your full name"
            placeholder="your full name"
            value={typed}
            onChange={(e) => setTyped(e.target.value)}
            maxLength={120}
          />
        </div>
      )}
      {step.colleague && (
        <Input.Password
          aria-label={`Password of ${step.signer}`}
          placeholder={`password of ${step.signer}`}
          autoComplete="off"
          value={password}
          onChange={(e) => setPassword(e.target.value)}
        />
      )}
      {sign.error && (
        <Alert
          type="error"
          title={fieldWords(sign.error, "signature") ?? fieldWords(sign.error, "code") ?? wordsOf(sign.error)}
        />
      )}
      <Button
        type="primary"
        size="large"
        disabled={empty}
        loading={sign.isPending}
        onClick={() => sign.mutate()}
      >
        I have read it and sign
      </Button>
    </>
  );
}

function Finished({ signing }: { signing: Signing }) {
  const navigate = useNavigate();
  const [search] = useSearchParams();
  // other papers that are laid before the signers after this one
  const [following, ...then] = search.get("then")?.split(",") ?? [];
  return (
    <>
      <Alert
        type="success"
        showIcon
        title={signing.state === "COMPLETE" ? "Signed by everyone and sealed" : "The signing was ended"}
        description="The signed copy is a new version of the paper, with an evidence page and the practice's seal. The paper before signing is kept."
      />
      {following && (
        <Button
          type="primary"
          size="large"
          onClick={() => navigate(`/signing/${following}${then.length > 0 ? `?then=${then.join(",")}` : ""}`)}
        >
          Next paper, {then.length + 1} to sign
        </Button>
      )}
    </>
  );
}

/** The screen goes back to the practice: a colleague gives the password, and may then end the signing. */
function ForThePractice({ signing, isLocked }: { signing: Signing; isLocked: boolean }) {
  const navigate = useNavigate();
  const queries = useQueryClient();
  const { modal } = App.useApp();
  const file = `/files/${signing.fileId}?paper=${signing.documentId}`;
  const back = async () => {
    await queries.invalidateQueries({ queryKey: ["files"] });
    navigate(file);
  };
  const unlocked = async () => {
    await back();
    if (signing.state === "OPEN") {
      modal.confirm({
        title: "The signing is not finished",
        content:
          "It can go on later. Or end it: signatures already given are kept on a sealed copy, and the rest can be signed another time.",
        okText: "End it",
        cancelText: "Go on later",
        onOk: () =>
          done(api.POST("/api/desk-signings/{id}/withdraw", { params: { path: { id: signing.id } } })).then(
            () => queries.invalidateQueries(),
          ),
      });
    }
  };
  if (!isLocked && signing.state !== "OPEN") {
    return (
      <Button size="large" onClick={back}>
        Back to the file
      </Button>
    );
  }
  return <UnlockDesk onUnlocked={unlocked} />;
}

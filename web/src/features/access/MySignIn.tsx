import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { App, Button, Form, Input, Modal } from "antd";
import { useState } from "react";
import { answer, api, done, type Shape, wordsOf } from "../../api/client";
import { moment } from "../../ui/days";
import { Loaded } from "../../ui/Quiet";
import { hasPasskeys, isBrokenOff, makePasskey } from "./passkeys";
import { CodeItem, RecoveryCodes, ScanSecret } from "./SecondStep";

const standingOptions = {
  queryKey: ["my-second-factor"],
  queryFn: () => answer(api.GET("/api/my-second-factor")),
};
const passkeysOptions = {
  queryKey: ["my-passkeys"],
  queryFn: () => answer(api.GET("/api/my-passkeys")),
};

/** One's second factor and passkeys. */
export function MySignIn({ onClose }: { onClose: () => void }) {
  const standing = useQuery(standingOptions);
  return (
    <Modal title="How I sign in" open onCancel={onClose} footer={null} width={480} destroyOnHidden>
      <Loaded query={standing}>{(now) => <SecondFactor standing={now} />}</Loaded>
      <Passkeys />
    </Modal>
  );
}

function SecondFactor({ standing }: { standing: Shape<"Standing"> }) {
  const [does, setDoes] = useState<"begin" | "renew" | "end">();
  const [codes, setCodes] = useState<string[]>();
  const queries = useQueryClient();
  const refresh = () => queries.invalidateQueries({ queryKey: standingOptions.queryKey });
  if (codes) {
    return (
      <RecoveryCodes
        codes={codes}
        onKept={() => {
          setCodes(undefined);
          setDoes(undefined);
          refresh();
        }}
      />
    );
  }
  return (
    <section className="my-sign-in">
      <h3>Second factor</h3>
      {standing.on ? (
        <>
          <p>
            On: after the password you type the code that your device shows. {standing.recoveryLeft} of 10
            recovery codes are left.
          </p>
          {does ? (
            <WithCode
              okText={does === "end" ? "End the second factor" : "Make new recovery codes"}
              isDanger={does === "end"}
              send={async (body) => {
                if (does === "end") {
                  await done(api.POST("/api/my-second-factor/end", { body }));
                  setDoes(undefined);
                  await refresh();
                } else {
                  const made = await answer(api.POST("/api/my-second-factor/recovery-codes", { body }));
                  setCodes(made.recoveryCodes);
                }
              }}
              onCancel={() => setDoes(undefined)}
            />
          ) : (
            <div className="buttons">
              <Button onClick={() => setDoes("renew")}>New recovery codes…</Button>
              {!standing.demanded && (
                <Button danger onClick={() => setDoes("end")}>
                  End it…
                </Button>
              )}
            </div>
          )}
        </>
      ) : does === "begin" ? (
        <Begin onCodes={setCodes} />
      ) : (
        <>
          <p>Off. With it somebody who learned your password still cannot come in.</p>
          <Button onClick={() => setDoes("begin")}>Set it up</Button>
        </>
      )}
    </section>
  );
}

function WithCode({
  okText,
  isDanger,
  send,
  onCancel,
}: {
  okText: string;
  isDanger: boolean;
  send: (body: { code: string }) => Promise<void>;
  onCancel: () => void;
}) {
  const act = useMutation({ mutationFn: send });
  return (
    <Form layout="vertical" requiredMark={false} onFinish={(values) => act.mutate(values)}>
      <CodeItem label="The code your device shows now" error={act.error} />
      <div className="buttons">
        <Button type="primary" danger={isDanger} htmlType="submit" loading={act.isPending}>
          {okText}
        </Button>
        <Button onClick={onCancel}>Cancel</Button>
      </div>
    </Form>
  );
}

function Begin({ onCodes }: { onCodes: (codes: string[]) => void }) {
  const secret = useQuery({
    queryKey: ["my-second-factor", "secret"],
    queryFn: () => answer(api.POST("/api/my-second-factor")),
    staleTime: Number.POSITIVE_INFINITY,
    gcTime: 0,
    retry: false,
  });
  const confirm = useMutation({
    mutationFn: (body: { code: string }) => answer(api.POST("/api/my-second-factor/confirm", { body })),
    onSuccess: (made) => onCodes(made.recoveryCodes),
  });
  return (
    <Loaded query={secret}>
      {(fresh) => <ScanSecret secret={fresh} confirm={confirm} okText="Turn it on" />}
    </Loaded>
  );
}

function Passkeys() {
  const keys = useQuery(passkeysOptions);
  const [label, setLabel] = useState("");
  const { message } = App.useApp();
  const queries = useQueryClient();
  const refresh = () => queries.invalidateQueries({ queryKey: passkeysOptions.queryKey });
  const failed = (error: Error) =>
    message.error(isBrokenOff(error) ? "Your device made no passkey." : wordsOf(error));
  const make = useMutation({
    mutationFn: () => makePasskey(label.trim()),
    onSuccess: async () => {
      message.success("You can sign in with it from now on.");
      setLabel("");
      await refresh();
    },
    onError: failed,
  });
  const remove = useMutation({
    mutationFn: (id: string) => done(api.DELETE("/api/my-passkeys/{id}", { params: { path: { id } } })),
    onSuccess: refresh,
    onError: failed,
  });
  return (
    <section className="my-sign-in">
      <h3>Passkeys</h3>
      <p className="muted">A finger, a face or the number of your device, in place of password and code.</p>
      <Loaded query={keys}>
        {(all) => (
          <ul className="plain-list my-sessions">
            {all.map((key) => (
              <li key={key.id} className="passkey">
                <div>
                  <strong>{key.label}</strong>
                  <div className="muted">
                    made {moment(key.made)} ·{" "}
                    {key.lastUsed ? `last used ${moment(key.lastUsed)}` : "not used yet"}
                  </div>
                </div>
                <Button size="small" loading={remove.isPending} onClick={() => remove.mutate(key.id)}>
                  Remove
                </Button>
              </li>
            ))}
          </ul>
        )}
      </Loaded>
      {hasPasskeys() ? (
        <Form layout="inline" onFinish={() => make.mutate()} className="new-passkey">
          <Input
            aria-label="Name of the new passkey"
            placeholder="such as office computer"
            maxLength={80}
            value={label}
            onChange={(e) => setLabel(e.target.value)}
          />
          <Button htmlType="submit" disabled={!label.trim()} loading={make.isPending}>
            Make a passkey
          </Button>
        </Form>
      ) : (
        <p className="muted">This browser, or this address, cannot make passkeys.</p>
      )}
    </section>
  );
}

import { useMutation, useQueryClient } from "@tanstack/react-query";
import { App, Button, Form, Input } from "antd";
import { useState } from "react";
import { api, done, wordsOf } from "../../api/client";
import { moment } from "../../ui/days";
import { ReasonModal } from "../documents/ReasonModal";
import type { Arrival } from "./arrivalQueries";

/** A paper that was set aside: why, and what can be done. */
export function SetAsideSheet({ arrival, onGone }: { arrival: Arrival; onGone: () => void }) {
  const [discards, setDiscards] = useState(false);
  const { message } = App.useApp();
  const queries = useQueryClient();
  const params = { path: { id: arrival.id } };
  const act = useMutation({
    mutationFn: (call: () => Promise<unknown>) => done(call()),
    onSuccess: () => {
      setDiscards(false);
      queries.invalidateQueries({ queryKey: ["arrivals"] });
    },
    onError: (error) => message.error(wordsOf(error)),
  });
  return (
    <section className="filing" aria-label="Set aside">
      <div className="filing-fields">
        <h2>Set aside</h2>
        <div className="paper-note bad">{arrival.reason}</div>
        <p className="muted">
          Came {moment(arrival.receivedAt)} from {arrival.broughtBy}. The file itself is kept untouched.
        </p>
        {arrival.mediaType === "application/pdf" && arrival.reason?.includes("password") && (
          <UnlockForm arrival={arrival} />
        )}
      </div>
      <div className="filing-foot">
        <Button
          type="primary"
          loading={act.isPending}
          onClick={() => act.mutate(() => api.POST("/api/arrivals/{id}/take-up", { params }))}
        >
          {arrival.pages.length > 0 ? "Take it up again" : "Try again"}
        </Button>
        <Button danger onClick={() => setDiscards(true)}>
          Discard
        </Button>
      </div>
      <ReasonModal
        title="Discard this paper"
        hint="It leaves the list; its bytes and its trail are kept."
        okText="Discard"
        open={discards}
        onClose={() => setDiscards(false)}
        onReason={(reason) =>
          act.mutate(async () => {
            await api.POST("/api/arrivals/{id}/discard", { params, body: { reason } });
            onGone();
          })
        }
      />
    </section>
  );
}

/** Asks for the password of a locked PDF; it is used once and kept nowhere. */
function UnlockForm({ arrival }: { arrival: Arrival }) {
  const queries = useQueryClient();
  const [password, setPassword] = useState("");
  const unlock = useMutation({
    mutationFn: () =>
      done(
        api.POST("/api/arrivals/{id}/unlock", { params: { path: { id: arrival.id } }, body: { password } }),
      ),
    onSuccess: () => queries.invalidateQueries({ queryKey: ["arrivals"] }),
  });
  return (
    <Form layout="vertical" onFinish={() => unlock.mutate()}>
      <Form.Item
        label="Password of the paper"
        htmlFor="paper-password"
        validateStatus={unlock.error ? "error" : undefined}
        help={
          unlock.error ? wordsOf(unlock.error) : "It is used once to make an open copy, and kept nowhere."
        }
      >
        <Input.Password
          id="paper-password"
          autoComplete="off"
          value={password}
          onChange={(e) => setPassword(e.target.value)}
        />
      </Form.Item>
      <Button htmlType="submit" loading={unlock.isPending} disabled={!password}>
        Unlock
      </Button>
    </Form>
  );
}

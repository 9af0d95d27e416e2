import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { fieldWords, type Shape, wordsOf } from "../../../api/client";
import { PlainAlert, PlainField } from "../../../ui/PlainForm";
import { type Given, keep, SignatureMark } from "./SignatureMark";
import { ask, type Door, type Turn } from "./turnCalls";

type GiveSignatureProps = {
  turn: Turn;
  door: Door;
  /** Whether all pages were seen. */
  ready: boolean;
  onDone: (turn: Turn | undefined) => void;
};

/** Field by field, and the signature at last. */
export function GiveSignature({ turn, door, ready, onDone }: GiveSignatureProps) {
  const fields = turn.papers
    .flatMap((p) => p.fields)
    .filter((f) => f.kind === "TEXT" || f.kind === "TICK" || f.kind === "SIGNATURE");
  // one signature serves every place for it
  const asked = fields.filter((f) => f.kind !== "SIGNATURE");
  const [begun, setBegun] = useState(false);
  const [at, setAt] = useState(0);
  const [values, setValues] = useState<Record<number, string>>({});
  const [given, setGiven] = useState<Given>();
  const [keeps, setKeeps] = useState(false);
  const [secret, setSecret] = useState("");
  const sign = useMutation({
    mutationFn: () => ask(door, "/sign", { signature: given, values, secret: secret || null }),
    onSuccess: (answer) => {
      if (!door.atDesk) {
        keep(keeps ? given : undefined);
      }
      onDone(answer);
    },
  });
  const places = asked.length + 1;
  const field = asked[at];
  const show = (position: number | undefined) =>
    document.getElementById(`place-${position}`)?.scrollIntoView({ block: "center" });
  const go = (next: number) => {
    setAt(next);
    show((asked[next] ?? fields.find((f) => f.kind === "SIGNATURE"))?.position);
  };
  if (!begun) {
    return (
      <button
        type="button"
        className="big-button"
        disabled={!ready}
        onClick={() => {
          setBegun(true);
          go(0);
        }}
      >
        Sign
      </button>
    );
  }
  return (
    <div className="turn-give">
      {places > 1 && (
        <div className="muted tabular">
          {at + 1} of {places}
        </div>
      )}
      {field ? (
        <OneField
          key={field.position}
          field={field}
          value={values[field.position] ?? ""}
          onChange={(value) => setValues({ ...values, [field.position]: value })}
        />
      ) : (
        <>
          <strong>{turn.forName ? `You sign for ${turn.forName}` : `${turn.name}, please sign`}</strong>
          <SignatureMark
            given={given}
            onChange={setGiven}
            keeps={keeps}
            onKeeps={setKeeps}
            shared={door.atDesk ?? false}
          />
          {turn.secret !== "NONE" && (
            <PlainField
              label={
                turn.secret === "PASSWORD"
                  ? door.atDesk
                    ? `The password of ${turn.name}`
                    : "Your password, once more"
                  : "The code your device shows"
              }
              type={turn.secret === "PASSWORD" ? "password" : "text"}
              autoComplete={turn.secret === "PASSWORD" ? "current-password" : "one-time-code"}
              value={secret}
              onChange={setSecret}
              error={sign.error ? fieldWords(sign.error, "code") : undefined}
            />
          )}
        </>
      )}
      {sign.error && !fieldWords(sign.error, "code") && (
        <PlainAlert>{fieldWords(sign.error, "signature") ?? wordsOf(sign.error)}</PlainAlert>
      )}
      <div className="turn-line">
        {at > 0 && (
          <button type="button" onClick={() => go(at - 1)}>
            Back
          </button>
        )}
        {field ? (
          <button
            type="button"
            className="big-button"
            disabled={field.required && !isFilled(field, values[field.position])}
            onClick={() => go(at + 1)}
          >
            Next
          </button>
        ) : (
          <button
            type="button"
            className="big-button"
            disabled={!given || sign.isPending || (turn.secret !== "NONE" && secret === "")}
            onClick={() => sign.mutate()}
          >
            I have read it and sign
          </button>
        )}
      </div>
    </div>
  );
}

function isFilled(field: Shape<"FieldToFill">, value: string | undefined): boolean {
  return field.kind === "TICK" ? value === "true" : (value ?? "").trim() !== "";
}

function OneField({
  field,
  value,
  onChange,
}: {
  field: Shape<"FieldToFill">;
  value: string;
  onChange: (value: string) => void;
}) {
  const label = `${field.label ?? (field.kind === "TICK" ? "Tick this" : "Fill this in")}, page ${field.page}`;
  return field.kind === "TICK" ? (
    <label className="turn-tick">
      <input
        type="checkbox"
        checked={value === "true"}
        onChange={(e) => onChange(e.target.checked ? "true" : "")}
      />{" "}
      {label}
      {!field.required && <span className="muted"> · may stay empty</span>}
    </label>
  ) : (
    <PlainField
      label={label}
      value={value}
      onChange={onChange}
      maxLength={300}
      hint={field.required ? undefined : "may stay empty"}
      autoFocus
    />
  );
}

import { type InputHTMLAttributes, type ReactNode, useId, useState } from "react";
import "./quiet.css";

type PlainFieldProps = {
  label: string;
  value: string;
  onChange: (value: string) => void;
  /** What is wrong with it; undefined for nothing. */
  error?: string;
  hint?: string;
} & Pick<InputHTMLAttributes<HTMLInputElement>, "type" | "autoComplete" | "autoFocus" | "maxLength">;

/** A field of a form that is on a stranger's screen, or on a slow line, before anything else. */
export function PlainField({ label, value, onChange, error, hint, type, ...input }: PlainFieldProps) {
  const id = useId();
  const [shown, setShown] = useState(false);
  return (
    <div className="plain-field">
      <label htmlFor={id}>{label}</label>
      <div>
        <input
          {...input}
          id={id}
          type={shown ? "text" : type}
          value={value}
          aria-invalid={error !== undefined}
          aria-describedby={error || hint ? `${id} told` : undefined}
          onChange={(e) => onChange(e.target.value)}
        />
        {type === "password" && (
          <button type="button" aria-pressed={shown} onClick={() => setShown(!shown)}>
            {shown ? "hide" : "show"}
          </button>
        )}
      </div>
      {(error || hint) && (
        <div id={`${id} told`} className={error ? "clay" : "muted"}>
          {error ?? hint}
        </div>
      )}
    </div>
  );
}

/** What went wrong with a form. */
export function PlainAlert({ children }: { children: ReactNode }) {
  return (
    <div className="plain-alert" role="alert">
      {children}
    </div>
  );
}

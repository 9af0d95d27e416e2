import { useMutation, useQuery } from "@tanstack/react-query";
import { type DragEvent, useRef, useState } from "react";
import { csrfToken, problemOf, type Shape, wordsOf } from "../../api/client";
import { practiceOptions } from "../../api/practice";
import { bytes, moment, tellMomentsIn } from "../../ui/days";
import "../access/access.css";
import "./check-copy.css";

type Answer = Shape<"CopyAnswer">;

async function check(file: File): Promise<Answer> {
  const form = new FormData();
  form.append("file", file);
  const response = await fetch("/api/copies/check", {
    method: "POST",
    body: form,
    headers: { "X-XSRF-TOKEN": csrfToken() },
  });
  if (!response.ok) {
    throw problemOf(response.status, await response.text());
  }
  return response.json();
}

/** Whoever holds a sealed copy learns here whether it is unchanged; no account is needed. */
export function CheckCopyPage() {
  const practice = useQuery(practiceOptions).data;
  const picker = useRef<HTMLInputElement>(null);
  const [over, setOver] = useState(false);
  const checking = useMutation({ mutationFn: check });
  if (practice) {
    tellMomentsIn(practice.zone);
  }
  const take = (files: FileList | null) => {
    const [file] = files ?? [];
    if (file) {
      checking.mutate(file);
    }
  };
  const drop = (e: DragEvent) => {
    e.preventDefault();
    setOver(false);
    take(e.dataTransfer.files);
  };
  return (
    <main className="door">
      <div className="door-sheet check-copy">
        <h1>Check a signed copy</h1>
        <p className="muted">
          Is it from {practice?.name ?? "this practice"}, unchanged, and still the newest? Choose the PDF. It
          is looked at and not kept.
        </p>
        <input
          ref={picker}
          type="file"
          accept=".pdf,application/pdf"
          hidden
          aria-label="The PDF to be checked"
          onChange={(e) => {
            take(e.target.files);
            e.target.value = "";
          }}
        />
        <button
          type="button"
          className={over ? "check-drop over" : "check-drop"}
          disabled={checking.isPending}
          onClick={() => picker.current?.click()}
          onDragOver={(e) => {
            e.preventDefault();
            setOver(true);
          }}
          onDragLeave={() => setOver(false)}
          onDrop={drop}
        >
          {checking.isPending ? "Looking at it …" : "Drop the PDF here, or click to choose it"}
          {practice && <span>at most {bytes(practice.uploadLimit)}</span>}
        </button>
        {checking.error && (
          <div className="check-answer clay" role="alert">
            {wordsOf(checking.error)}
          </div>
        )}
        {checking.data && <Found answer={checking.data} name={checking.variables?.name ?? ""} />}
      </div>
    </main>
  );
}

const HEADS: Record<Answer["verdict"], { tone: "juniper" | "ochre" | "clay"; head: string }> = {
  UNCHANGED: { tone: "juniper", head: "Unchanged" },
  NOT_KEPT: { tone: "juniper", head: "Unchanged, but no longer kept here" },
  ADDED_TO: { tone: "ochre", head: "Something was added after it was sealed" },
  CHANGED: { tone: "clay", head: "Changed since it was sealed" },
  OTHERS: { tone: "clay", head: "Not sealed by this practice" },
  NO_SEAL: { tone: "clay", head: "No seal" },
};

function sentence({ verdict, practice, added, others }: Answer): string {
  switch (verdict) {
    case "UNCHANGED":
      return `This is the copy that ${practice} sealed, byte for byte.`;
    case "NOT_KEPT":
      return `It bears the seal of ${practice} and is unchanged. The practice no longer keeps this paper, so it cannot tell who signed.`;
    case "ADDED_TO":
      return `What ${practice} sealed is unchanged. Added later: ${added.join(", ")}.`;
    case "CHANGED":
      return `It bears the seal of ${practice}, but is no longer what was sealed. Do not rely on it.`;
    case "OTHERS":
      return `It bears a seal that names ${others.join(" and ")}. Whether that is true, ${practice} cannot tell.`;
    case "NO_SEAL":
      return "Nothing shows where this PDF comes from, or whether it was changed.";
  }
}

function Found({ answer, name }: { answer: Answer; name: string }) {
  const { tone, head } = HEADS[answer.verdict];
  return (
    <section
      className={`check-answer ${answer.enteredInError ? "clay" : tone}`}
      role="status"
      aria-label={head}
    >
      <div className="muted ellipsis">{name}</div>
      <h2>{head}</h2>
      <p>{sentence(answer)}</p>
      {answer.enteredInError && (
        <p>
          <strong>The practice has since marked this paper as entered in error.</strong>
        </p>
      )}
      {answer.newerExists && (
        <p>
          <strong>There is a newer version of this paper.</strong> Ask the practice for it.
        </p>
      )}
      {answer.signedBy.length > 0 && (
        <ul className="plain-list">
          {answer.signedBy.map((signer) => (
            <li key={`${signer.name} ${signer.role}`}>
              <strong>{signer.name}</strong>, {signer.role}
              <div className="muted">{moment(signer.at)}</div>
            </li>
          ))}
        </ul>
      )}
      {answer.sealedAt && <p className="muted">Sealed {moment(answer.sealedAt)}</p>}
    </section>
  );
}

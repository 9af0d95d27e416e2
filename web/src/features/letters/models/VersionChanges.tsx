import { useQuery } from "@tanstack/react-query";
import { Modal } from "antd";
import type { Shape } from "../../../api/client";
import { Loaded } from "../../../ui/Quiet";
import { versionChangesOptions } from "../letterQueries";

type VersionChangesProps = { versionId: string; number: number; onClose: () => void };

/** What a version of a model changed against the one before it, word by word. */
export function VersionChanges({ versionId, number, onClose }: VersionChangesProps) {
  const changes = useQuery(versionChangesOptions(versionId));
  return (
    <Modal title={`What version ${number} changed`} open width={760} footer={null} onCancel={onClose}>
      <Loaded query={changes}>{(found) => <Changes changes={found} />}</Loaded>
    </Modal>
  );
}

const HEADS = { KEPT: "Changed", ADDED: "New", REMOVED: "Taken out" };

function Changes({ changes }: { changes: Shape<"VersionChanges"> }) {
  const { from, parts, notes } = changes;
  return (
    <div className="version-changes">
      <p className="muted">
        {from
          ? `Against version ${from.number}, the one before it in this language.`
          : "It is the first one."}
      </p>
      {notes.map((note) => (
        <p key={note}>{note}</p>
      ))}
      {parts.length === 0 && notes.length === 0 && <p>Nothing but the day from which it holds.</p>}
      {parts.map((part) => (
        <section key={part.id} aria-label={part.name ?? `Part ${part.id}`}>
          <h3>
            {HEADS[part.what]}
            {part.name ? `: ${part.name}` : ""}
          </h3>
          {part.notes.map((note) => (
            <p key={note}>{note}</p>
          ))}
          <p className="changed-words">
            {part.words.map((run, i) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: they are shown once, in their order
              <Run key={i} run={run} />
            ))}
          </p>
        </section>
      ))}
    </div>
  );
}

/** Known by its line as well as by its colour. */
function Run({ run }: { run: Shape<"WordRun"> }) {
  if (run.what === "ADDED") {
    return <ins>{run.text}</ins>;
  }
  return run.what === "REMOVED" ? <del>{run.text}</del> : <>{run.text}</>;
}

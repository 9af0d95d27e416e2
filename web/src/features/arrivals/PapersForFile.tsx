import { App } from "antd";
import { type DragEvent, type ReactNode, useState } from "react";
import { Link } from "react-router";
import { droppedFiles } from "../uploads/droppedFiles";
import { type Chosen, useUploads } from "../uploads/Uploads";
import { BringInModal } from "./BringInModal";
import "./arrivals.css";

export type OfPerson = { id: string; name: string; number: string };

/** Asks what files for a person are, sends them, and says where they wait. */
export function PapersForFile({
  person,
  files,
  onClose,
}: {
  person: OfPerson;
  files: File[];
  onClose: () => void;
}) {
  const { notification } = App.useApp();
  const { send } = useUploads();
  const bringIn = async (chosen: Chosen[]) => {
    const ids = await send(chosen);
    if (ids.length > 0) {
      notification.success({
        key: ids[0],
        title: ids.length === 1 ? "1 paper waits in Arrivals" : `${ids.length} papers wait in Arrivals`,
        description: (
          <Link to={`/arrivals?paper=${ids[0]}`} onClick={() => notification.destroy(ids[0])}>
            Look at {ids.length === 1 ? "it" : "them"} and file {ids.length === 1 ? "it" : "them"}
          </Link>
        ),
        duration: 10,
      });
    }
  };
  return (
    <BringInModal
      first={files.map((file) => ({ file, details: { fileId: person.id } }))}
      person={person}
      onClose={onClose}
      onBringIn={bringIn}
    />
  );
}

/** Takes files that are dropped anywhere on a person's file, wherever nothing nearer takes them. */
export function DropOnFile({
  person,
  mayTake = true,
  children,
}: {
  person: OfPerson;
  /** False for who may only look, or on another day; what stands in it stays the same. */
  mayTake?: boolean;
  children: ReactNode;
}) {
  const [isOver, setIsOver] = useState(false);
  const [files, setFiles] = useState<File[]>();
  const isFiles = (e: DragEvent) => mayTake && e.dataTransfer.types.includes("Files");
  return (
    // biome-ignore lint/a11y/noStaticElementInteractions: dropping has Add papers as its other way
    <div
      className="drop-on-file"
      onDragOver={(e) => {
        if (isFiles(e)) {
          e.preventDefault();
          setIsOver(true);
        }
      }}
      onDragLeave={(e) => !e.currentTarget.contains(e.relatedTarget as Node | null) && setIsOver(false)}
      onDropCapture={() => setIsOver(false)}
      onDrop={async (e) => {
        if (isFiles(e)) {
          e.preventDefault();
          setFiles(await droppedFiles(e.dataTransfer));
        }
      }}
    >
      {children}
      {isOver && <div className="drop-hint">Let go to add the papers to the file of {person.name}</div>}
      {files && files.length > 0 && (
        <PapersForFile person={person} files={files} onClose={() => setFiles(undefined)} />
      )}
    </div>
  );
}

import { useQuery } from "@tanstack/react-query";
import { Button } from "antd";
import { useState } from "react";
import { Link } from "react-router";
import type { Shape } from "../../../api/client";
import { useMayChange } from "../../asof/asOf";
import { documentOptions } from "../../documents/documentQueries";
import { CopyOutModal } from "../../leaving/CopyOutModal";
import { AskModal } from "../../signing/asking/AskModal";
import { PaperStanding } from "../../standing/PaperStanding";

type Paper = Shape<"DocumentAnswer">;

/** Of a letter that is filed: what its paper still needs, and the ways it can go from here. */
export function AfterFiling({ documentId }: { documentId: string }) {
  const paper = useQuery(documentOptions(documentId)).data;
  return paper ? <Next paper={paper} /> : null;
}

function Next({ paper }: { paper: Paper }) {
  const [dialog, setDialog] = useState<"ask" | "copy" | "print">();
  const mayChange = useMayChange();
  const close = () => setDialog(undefined);
  const newest = paper.versions[paper.versions.length - 1];
  const lacks = paper.unsignedBy.map((s) => s.label);
  const waits = paper.needsReview && !paper.acceptedOn;
  return (
    <section className="after-filing" aria-label="What comes next">
      <p>
        Filed as{" "}
        <Link to={`/files/${paper.fileId}?${new URLSearchParams({ view: "read", paper: paper.id })}`}>
          “{paper.name}”
        </Link>
        .
      </p>
      {waits && (
        <p>
          {paper.reviewers.length > 0 ? `${paper.reviewers.join(" and ")} will be asked` : "It waits"} to
          accept it before it counts.
        </p>
      )}
      {lacks.length > 0 && <p>Still to be signed by {lacks.join(" and ")}.</p>}
      <PaperStanding paper={paper} />
      {mayChange && (
        <div className="buttons">
          {lacks.length > 0 && (
            <Button type="primary" onClick={() => setDialog("ask")}>
              Ask for signatures
            </Button>
          )}
          <Button onClick={() => setDialog("copy")}>Send or share a copy</Button>
          <Button onClick={() => setDialog("print")}>Print</Button>
        </div>
      )}
      {dialog === "ask" && (
        <AskModal
          papers={[
            {
              id: paper.id,
              name: paper.name,
              version: paper.versions.length,
              pages: newest?.pages ?? 1,
              versionNumber: newest?.number ?? paper.versions.length,
            },
          ]}
          onClose={close}
        />
      )}
      {(dialog === "copy" || dialog === "print") && (
        <CopyOutModal
          fileId={paper.fileId}
          papers={[{ id: paper.id, name: paper.name }]}
          wanted={dialog === "print" ? "PRINT" : "COPY"}
          onClose={close}
        />
      )}
    </section>
  );
}

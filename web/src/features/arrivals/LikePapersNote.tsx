import { Button, Modal } from "antd";
import { useState } from "react";
import { Link } from "react-router";
import type { Shape } from "../../api/client";
import { type Arrival, pageImage } from "./arrivalQueries";

type Like = Shape<"LikePaper">;

/** Says that the paper is there already, and shows both side by side. */
export function LikePapersNote({ arrival, like }: { arrival: Arrival; like: Like[] }) {
  const [shown, setShown] = useState<Like>();
  const [first] = like;
  if (!first) {
    return null;
  }
  return (
    <div className="paper-note bad like-note">
      {like.slice(0, 2).map((other) => (
        <div key={other.documentId ?? other.arrivalId}>
          {other.sameBytes ? "The same file" : "The same pages, scanned again,"}{" "}
          {other.documentId ? "is filed already: " : "waits as well: "}
          <strong>{other.name}</strong>{" "}
          <Button type="link" size="small" onClick={() => setShown(other)}>
            Side by side
          </Button>
        </div>
      ))}
      <Modal
        title="Is it the same paper?"
        open={shown !== undefined}
        onCancel={() => setShown(undefined)}
        footer={null}
        width={980}
      >
        {shown && (
          <div className="side-by-side">
            <figure>
              <figcaption>This one, just in</figcaption>
              <img src={pageImage(arrival, 1, 900)} alt={`${arrival.fileName}, page 1`} />
            </figure>
            <figure>
              <figcaption>
                {shown.documentId ? (
                  <Link to={`/files/${shown.fileId}?paper=${shown.documentId}`}>{shown.name}</Link>
                ) : (
                  shown.name
                )}
              </figcaption>
              <img
                src={
                  shown.documentId
                    ? `/api/documents/${shown.documentId}/versions/1/pages/1?width=900`
                    : `/api/arrivals/${shown.arrivalId}/pages/1?width=900`
                }
                alt={`${shown.name}, page 1`}
              />
            </figure>
          </div>
        )}
      </Modal>
    </div>
  );
}

import { useQuery } from "@tanstack/react-query";
import { Link, useParams } from "react-router";
import { Pages } from "../../ui/Pages";
import { Loaded } from "../../ui/Quiet";
import { PortalFrame } from "./PortalFrame";
import { usePortalPlace } from "./portalPlace";
import { portalOptions } from "./portalQueries";

/** A shared paper, page by page, with its download. */
export function PortalReader() {
  const { id = "" } = useParams();
  const portal = useQuery(portalOptions);
  const { path } = usePortalPlace();
  return (
    <Loaded query={portal}>
      {(data) => {
        const paper = data.shared.find((p) => p.documentId === id);
        return (
          <PortalFrame portal={data}>
            <div className="portal-row">
              <Link to={path || "/"}>‹ Back</Link>
              {paper && (
                <a href={`/api/portal/documents/${id}/content`} download>
                  Download
                </a>
              )}
            </div>
            {paper ? (
              <>
                <h2>{paper.typeLabel}</h2>
                <div className="portal-pages">
                  <Pages
                    count={paper.pages}
                    width={680}
                    name={paper.name}
                    source={(page) => `/api/portal/documents/${id}/pages/${page}?width=900`}
                  />
                </div>
              </>
            ) : (
              <p>This paper is no longer shared with you.</p>
            )}
          </PortalFrame>
        );
      }}
    </Loaded>
  );
}

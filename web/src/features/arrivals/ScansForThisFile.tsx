import { useQuery } from "@tanstack/react-query";
import { App } from "antd";
import { useEffect, useRef } from "react";
import { Link } from "react-router";
import { api } from "../../api/client";
import { arrivalsOptions } from "./arrivalQueries";
import { useDesk } from "./deskQueries";

/** Tells the desk's pickup which file is open here, and says at once when a scan came for it. */
export function ScansForThisFile({ fileId }: { fileId: string }) {
  const [desk] = useDesk();
  return desk ? <AtDesk key={desk + fileId} desk={desk} fileId={fileId} /> : null;
}

function AtDesk({ desk, fileId }: { desk: string; fileId: string }) {
  const { notification } = App.useApp();
  const arrivals = useQuery(arrivalsOptions);
  const known = useRef<Set<string>>(undefined);
  useEffect(() => {
    const params = { path: { desk } };
    const tell = () => api.PUT("/api/desks/{desk}/file", { params, body: { fileId } }).catch(() => undefined);
    tell();
    const timer = setInterval(tell, 20_000);
    return () => {
      clearInterval(timer);
      api.DELETE("/api/desks/{desk}/file", { params }).catch(() => undefined);
    };
  }, [desk, fileId]);
  useEffect(() => {
    const mine = (arrivals.data ?? []).filter((a) => a.fileId === fileId && a.isGiven);
    if (arrivals.data && known.current) {
      for (const scan of mine.filter((a) => !known.current?.has(a.id))) {
        notification.success({
          key: scan.id,
          title: `“${scan.fileName}” came for this file`,
          description: (
            <Link to={`/arrivals?paper=${scan.id}`} onClick={() => notification.destroy(scan.id)}>
              Look at it and file it
            </Link>
          ),
          duration: 0,
        });
      }
    }
    if (arrivals.data) {
      known.current = new Set(mine.map((a) => a.id));
    }
  }, [arrivals.data, fileId, notification]);
  return null;
}

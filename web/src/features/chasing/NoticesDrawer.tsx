import { useQuery } from "@tanstack/react-query";
import { Drawer } from "antd";
import { Link } from "react-router";
import { answer, api } from "../../api/client";
import { day, moment } from "../../ui/days";
import { Loaded, QuietEmpty } from "../../ui/Quiet";
import { NoticeLine } from "./NoticeLine";
import { noticesOptions } from "./noticeQueries";

/** The messages that went out, newest first. */
export function NoticesDrawer({ open, onClose }: { open: boolean; onClose: () => void }) {
  const notices = useQuery({ ...noticesOptions, refetchInterval: open ? 2_000 : 10_000 });
  return (
    <Drawer title="Notices" open={open} onClose={onClose} size={460}>
      <HandedToMe open={open} onClose={onClose} />
      <Loaded query={notices}>
        {(list) =>
          list.length === 0 ? (
            <QuietEmpty title="No notice yet">
              <p>Open a file and use “Chase” to write to the person.</p>
            </QuietEmpty>
          ) : (
            list.map((notice) => <NoticeLine key={notice.id} notice={notice} />)
          )
        }
      </Loaded>
    </Drawer>
  );
}

/** What colleagues handed to this account, before what went out. */
function HandedToMe({ open, onClose }: { open: boolean; onClose: () => void }) {
  const mine =
    useQuery({
      queryKey: ["waiting-counts", "handed"],
      queryFn: () => answer(api.GET("/api/hand-overs/mine")),
      enabled: open,
    }).data ?? [];
  if (mine.length === 0) {
    return null;
  }
  return (
    <section className="handed-to-me">
      <h3>Handed to me</h3>
      <ul className="plain-list">
        {mine.map((paper) => (
          <li key={paper.documentId}>
            <Link to={`/files/${paper.fileId}?view=read&paper=${paper.documentId}`} onClick={onClose}>
              {paper.paper}
            </Link>
            <div className="muted">
              by {paper.from}, {moment(paper.since)}
              {paper.due && ` · due ${day(paper.due)}`}
            </div>
            {paper.note && <div>{paper.note}</div>}
          </li>
        ))}
      </ul>
    </section>
  );
}

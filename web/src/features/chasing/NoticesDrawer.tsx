import { useQuery } from "@tanstack/react-query";
import { Drawer } from "antd";
import { Loaded, QuietEmpty } from "../../ui/Quiet";
import { NoticeLine } from "./NoticeLine";
import { noticesOptions } from "./noticeQueries";

/** The messages that went out, newest first. */
export function NoticesDrawer({ open, onClose }: { open: boolean; onClose: () => void }) {
  const notices = useQuery({ ...noticesOptions, refetchInterval: open ? 2_000 : 10_000 });
  return (
    <Drawer title="Notices" open={open} onClose={onClose} size={460}>
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

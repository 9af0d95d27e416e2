import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { App, Button, Modal } from "antd";
import { answer, api, done, wordsOf } from "../../api/client";
import { moment } from "../../ui/days";
import { Loaded } from "../../ui/Quiet";

/** Where one is signed in, and the way out of all other places. */
export function MySessions({ onClose }: { onClose: () => void }) {
  const sessions = useQuery({
    queryKey: ["my-sessions"],
    queryFn: () => answer(api.GET("/api/my-sessions")),
  });
  const { message } = App.useApp();
  const queries = useQueryClient();
  const end = useMutation({
    mutationFn: () => done(api.DELETE("/api/my-sessions/others")),
    onSuccess: async () => {
      message.success("You are signed in only here now.");
      await queries.invalidateQueries({ queryKey: ["my-sessions"] });
    },
    onError: (error) => message.error(wordsOf(error)),
  });
  return (
    <Modal title="Where I am signed in" open onCancel={onClose} footer={null} width={460}>
      <Loaded query={sessions}>
        {(all) => (
          <>
            <ul className="plain-list my-sessions">
              {all.map((session) => (
                <li key={`${session.since}${session.lastUsed}`}>
                  <strong>{session.isThis ? "Here" : "Another browser"}</strong>
                  <div className="muted">
                    since {moment(session.since)} · last used {moment(session.lastUsed)}
                  </div>
                </li>
              ))}
            </ul>
            {all.length > 1 && (
              <Button danger loading={end.isPending} onClick={() => end.mutate()}>
                Sign out everywhere else
              </Button>
            )}
          </>
        )}
      </Loaded>
    </Modal>
  );
}

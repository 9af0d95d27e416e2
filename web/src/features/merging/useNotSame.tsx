import { useMutation, useQueryClient } from "@tanstack/react-query";
import { App, Button } from "antd";
import { api, done, wordsOf } from "../../api/client";

type Two = { id: string; other: string };

/** Says that two files are of two persons; can be taken back at once. */
export function useNotSame() {
  const { message } = App.useApp();
  const queries = useQueryClient();
  const refresh = () => queries.invalidateQueries({ queryKey: ["files"] });
  const back = useMutation({
    mutationFn: (path: Two) => done(api.DELETE("/api/files/{id}/not-same/{other}", { params: { path } })),
    onSuccess: refresh,
    onError: (error) => message.error(wordsOf(error)),
  });
  return useMutation({
    mutationFn: (path: Two) => done(api.PUT("/api/files/{id}/not-same/{other}", { params: { path } })),
    onSuccess: (_, two) => {
      refresh();
      const key = `not-same-${two.id}`;
      message.success({
        key,
        duration: 8,
        content: (
          <>
            Two persons; not offered again.{" "}
            <Button
              size="small"
              type="link"
              onClick={() => {
                message.destroy(key);
                back.mutate(two);
              }}
            >
              Undo
            </Button>
          </>
        ),
      });
    },
    onError: (error) => message.error(wordsOf(error)),
  });
}

import { useMutation, useQueryClient } from "@tanstack/react-query";
import { App } from "antd";
import { useNavigate } from "react-router";
import { answer, api, done, wordsOf } from "../../api/client";
import { useUploads } from "../uploads/Uploads";

/** Sends a file as the newest version of a paper; the older ones stay, and the one before can be the newest again. */
export function useNewVersion(id: string) {
  const { message } = App.useApp();
  const { sendVersion } = useUploads();
  const queries = useQueryClient();
  const navigate = useNavigate();
  const params = { path: { id } };
  const back = async (number: number) => {
    message.destroy(`version of ${id}`);
    try {
      const restored = { path: { id, number } };
      await done(api.POST("/api/documents/{id}/versions/{number}/restore", { params: restored }));
      message.success(`Version ${number} is the newest again.`);
      await queries.invalidateQueries({ queryKey: ["files"] });
    } catch (error) {
      message.error(wordsOf(error), 8);
    }
  };
  const askWhoSigned = (fileId: string) => {
    message.destroy(`version of ${id}`);
    navigate(`/files/${fileId}?view=read&paper=${id}&change=details`);
  };
  return useMutation({
    mutationFn: async (file: File) => {
      const before = await answer(api.GET("/api/documents/{id}", { params }));
      return { file, before, became: await sendVersion(id, file) };
    },
    onSuccess: ({ file, before, became }) => {
      if (became) {
        const number = before.versions.length;
        message.success({
          key: `version of ${id}`,
          duration: 10,
          content: (
            <span>
              “{file.name}” is the newest version of “{before.name}”; the older ones are kept.{" "}
              <button type="button" className="linklike" onClick={() => back(number)}>
                Undo
              </button>
              {before.signers.length > 0 && (
                <>
                  {" · "}
                  <button type="button" className="linklike" onClick={() => askWhoSigned(before.fileId)}>
                    It is signed on paper…
                  </button>
                </>
              )}
            </span>
          ),
        });
      }
    },
    onError: (error) => message.error(wordsOf(error), 8),
  });
}

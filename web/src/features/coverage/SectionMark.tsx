import { CheckSquareOutlined, LockOutlined } from "@ant-design/icons";
import { useQuery } from "@tanstack/react-query";
import { Button, Popconfirm } from "antd";
import { useState } from "react";
import { answer, api, type Shape } from "../../api/client";
import { day } from "../../ui/days";
import { meOptions } from "../access/sessionQueries";
import { ReasonModal } from "../documents/ReasonModal";
import { usePaperAction } from "../documents/usePaperAction";

type SectionMarkProps = { file: Shape<"FileAnswer">; section: Shape<"SectionAnswer"> };

/** Whether a section was confirmed as complete; an administrator confirms and reopens it here. */
export function SectionMark({ file, section }: SectionMarkProps) {
  const [reopens, setReopens] = useState(false);
  const isAdministrator = useQuery(meOptions).data?.role === "ADMINISTRATOR";
  const confirmed = useQuery({
    queryKey: ["files", file.id, "confirmed-sections"],
    queryFn: () =>
      answer(api.GET("/api/files/{fileId}/confirmed-sections", { params: { path: { fileId: file.id } } })),
  }).data?.find((c) => c.section === section.code);
  const act = usePaperAction();
  const params = { path: { fileId: file.id, section: section.code } };
  if (!confirmed) {
    return isAdministrator ? (
      <Popconfirm
        title={`Confirm ${section.label} as complete?`}
        description="Nobody can change its papers until an administrator reopens it."
        okText="Confirm"
        onConfirm={() =>
          act.mutate({
            call: () => api.POST("/api/files/{fileId}/sections/{section}/confirm", { params }),
            said: `${section.label} is confirmed.`,
          })
        }
      >
        <Button
          type="text"
          size="small"
          className="section-confirm"
          icon={<CheckSquareOutlined />}
          aria-label={`Confirm ${section.label} as complete`}
          title="Confirm as complete…"
        />
      </Popconfirm>
    ) : null;
  }
  const words = `Confirmed by ${confirmed.by}, ${day(confirmed.on)}`;
  return (
    <>
      {isAdministrator ? (
        <Button
          type="text"
          size="small"
          icon={<LockOutlined />}
          title={`${words}. Reopen it`}
          aria-label={`Reopen ${section.label}. ${words}`}
          onClick={() => setReopens(true)}
        />
      ) : (
        <LockOutlined title={words} aria-label={words} />
      )}
      <ReasonModal
        title={`Reopen ${section.label}`}
        hint="The reason stands in the trail."
        okText="Reopen"
        open={reopens}
        onClose={() => setReopens(false)}
        onReason={(reason) =>
          act.mutate({
            call: () =>
              api.POST("/api/files/{fileId}/sections/{section}/reopen", { params, body: { reason } }),
            said: `${section.label} is open again.`,
            after: () => setReopens(false),
          })
        }
      />
    </>
  );
}

import { useMutation, useQueryClient } from "@tanstack/react-query";
import { Alert, App, Button } from "antd";
import { answer, api, wordsOf } from "../../api/client";

export type ForUsWay = "PRINT" | "ZIP";

/** As many as the server sets on one PDF. */
const MOST_PRINTED = 100;

type ForUsProps = {
  papers: { id: string; name: string }[];
  /** What was asked for. */
  first: ForUsWay;
  onClose: () => void;
};

/** Papers that stay in the house: nothing is chosen, no copy is numbered. */
export function ForUs({ papers, first, onClose }: ForUsProps) {
  const { message } = App.useApp();
  const queries = useQueryClient();
  const ids = papers.map((p) => p.id);
  const zip = useMutation({
    mutationFn: () => answer(api.POST("/api/zips", { body: { documents: ids } })),
    onSuccess: () => {
      message.success("The ZIP is being made; it can be fetched at the top once it is ready.");
      queries.invalidateQueries({ queryKey: ["jobs"] });
      onClose();
    },
  });
  const print = () => {
    window.open(`/api/print?documents=${ids.join(",")}`, "_blank", "noopener");
    onClose();
  };
  return (
    <>
      <p>
        {papers.length === 1 ? "The paper as it stands" : "The papers as they stand"}, with covers closed. The
        trail of the file says that you took {papers.length === 1 ? "it" : "them"}. Whoever else is to have{" "}
        {papers.length === 1 ? "it" : "them"} gets a numbered copy: choose “for somebody else”.
      </p>
      {zip.error && <Alert type="error" title={wordsOf(zip.error)} />}
      {papers.length > MOST_PRINTED && (
        <p className="muted">Up to {MOST_PRINTED} papers are printed at once; a ZIP holds them all.</p>
      )}
      <div className="copy-footer">
        <Button
          type={first === "ZIP" ? "primary" : "default"}
          autoFocus={first === "ZIP"}
          loading={zip.isPending}
          onClick={() => zip.mutate()}
        >
          ZIP for us
        </Button>
        <Button
          type={first === "PRINT" ? "primary" : "default"}
          autoFocus={first === "PRINT"}
          disabled={papers.length > MOST_PRINTED}
          onClick={print}
        >
          Print for us
        </Button>
      </div>
    </>
  );
}

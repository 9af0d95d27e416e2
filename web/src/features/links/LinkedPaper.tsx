import { useMutation } from "@tanstack/react-query";
import { Alert, Button } from "antd";
import { type Shape, wordsOf } from "../../api/client";
import { QuietEmpty } from "../../ui/Quiet";

type LinkedPaperProps = {
  link: Shape<"Link">;
  /** Asks whether it can be reached. */
  check: () => Promise<Shape<"Reached">>;
};

/** A paper that is kept elsewhere: where it is, and on request whether it can be reached. */
export function LinkedPaper({ link, check }: LinkedPaperProps) {
  const asked = useMutation({ mutationFn: check });
  return (
    <QuietEmpty title={link.label}>
      <p>
        This paper is kept elsewhere:{" "}
        <a href={link.address} target="_blank" rel="noreferrer noopener">
          {link.address}
        </a>
      </p>
      <Button size="small" loading={asked.isPending} onClick={() => asked.mutate()}>
        See whether it can be reached
      </Button>
      {asked.data && (
        <Alert
          style={{ marginTop: 12 }}
          type={asked.data.reached ? "success" : "warning"}
          title={asked.data.words}
        />
      )}
      {asked.error && <Alert style={{ marginTop: 12 }} type="error" title={wordsOf(asked.error)} />}
    </QuietEmpty>
  );
}

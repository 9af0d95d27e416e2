import { useQuery } from "@tanstack/react-query";
import { answer, api } from "../../api/client";

/** The note and the mail that a filed paper came with. */
export function CameWith({ documentId }: { documentId: string }) {
  const came =
    useQuery({
      queryKey: ["files", "document", documentId, "came-with"],
      queryFn: () =>
        answer(api.GET("/api/arrivals/of-document/{documentId}", { params: { path: { documentId } } })),
    }).data ?? [];
  return (
    <>
      {came.map(({ fileName, note, sender, message }) =>
        message || note ? (
          <div key={fileName}>
            <h3>Came with</h3>
            {note && <p>{note}</p>}
            {message && (
              <details className="mail-text">
                <summary>Mail from {sender ?? "an unknown address"}</summary>
                <pre>{message}</pre>
              </details>
            )}
          </div>
        ) : null,
      )}
    </>
  );
}

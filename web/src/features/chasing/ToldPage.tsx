import { useMutation, useQuery } from "@tanstack/react-query";
import { useParams } from "react-router";
import { answer, api, done, wordsOf } from "../../api/client";
import { Loaded } from "../../ui/Quiet";
import "./told.css";

/** Behind the link in a notice: how to send what is asked for. It names nobody and no paper. */
export function ToldPage() {
  const { token = "" } = useParams();
  const told = useQuery({
    queryKey: ["told", token],
    queryFn: () => answer(api.POST("/api/told/{token}/visit", { params: { path: { token } } })),
    retry: false,
    staleTime: Number.POSITIVE_INFINITY,
  });
  const unsubscribe = useMutation({
    mutationFn: () => done(api.POST("/api/told/{token}/unsubscribe", { params: { path: { token } } })),
  });
  return (
    <main className="told-page">
      <Loaded query={told}>
        {(data) => (
          <section style={{ borderTopColor: data.colour }}>
            <p className="muted">{data.practice}</p>
            <h1>
              {data.papers === 1
                ? "We wait for a paper from you"
                : `We wait for ${data.papers} papers from you`}
            </h1>
            <p>Which ones, you read in our mail. You can send them in any of these ways:</p>
            <ul>
              <li>Answer our mail, with a photo or a scan of each.</li>
              <li>
                If you have access to our portal, <a href="/">send them there</a>.
              </li>
              <li>Bring them by.</li>
            </ul>
            {data.mayUnsubscribe &&
              (unsubscribe.isSuccess ? (
                <p role="status">You get no more of these mails.</p>
              ) : (
                <button type="button" className="plain-button" onClick={() => unsubscribe.mutate()}>
                  Send me no more of these
                </button>
              ))}
            {unsubscribe.error && <p role="alert">{wordsOf(unsubscribe.error)}</p>}
          </section>
        )}
      </Loaded>
    </main>
  );
}

import { useQuery } from "@tanstack/react-query";
import { answer, api } from "../../api/client";
import { moment } from "../../ui/days";
import { Loaded, QuietEmpty } from "../../ui/Quiet";
import { Where } from "../../ui/Where";
import "../chasing/chasing.css";

/** What the demo's mail stand-in received, so that one can follow the links that guests get. */
export function DemoMailPage() {
  const mails = useQuery({
    queryKey: ["demo", "mail"],
    queryFn: () => answer(api.GET("/api/demo/mail")),
    refetchInterval: 2_000,
  });
  return (
    <div className="scroll" style={{ height: "100%", padding: "16px 24px" }}>
      <Where>
        <strong>Demo mailbox</strong>
      </Where>
      <Loaded query={mails}>
        {({ running, mails: list }) =>
          list.length === 0 ? (
            <QuietEmpty title={running ? "No mail yet" : "There is no mail stand-in here"}>
              <p>
                {running
                  ? "Chase somebody or invite a guest; the mail shows up here and reaches nobody."
                  : "It only runs in the demo."}
              </p>
            </QuietEmpty>
          ) : (
            list.map((mail) => (
              <article key={mail.at + mail.to + mail.subject} className="notice" style={{ maxWidth: 720 }}>
                <strong>{mail.subject}</strong>
                <div className="muted">
                  to {mail.to} · from {mail.from} · {moment(mail.at)}
                </div>
                <pre>{mail.text}</pre>
              </article>
            ))
          )
        }
      </Loaded>
    </div>
  );
}

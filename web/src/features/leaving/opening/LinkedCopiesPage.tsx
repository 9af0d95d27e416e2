import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { useParams } from "react-router";
import { askAt } from "../../../api/askAt";
import type { Shape } from "../../../api/client";
import { day } from "../../../ui/days";
import { Pages } from "../../../ui/Pages";
import { Loaded } from "../../../ui/Quiet";
import { CodeDoor } from "../../access/CodeDoor";
import "./linked-copies.css";

type Copies = Shape<"LinkedCopies">;

/** Copies behind a link that was sent by mail. */
export function LinkedCopiesPage() {
  const { token = "" } = useParams();
  const base = `/api/linked-copies/${token}`;
  return (
    <CodeDoor base={base} why="Papers lie here for you. So that nobody else reads them, we send a code to">
      <Copies base={base} />
    </CodeDoor>
  );
}

function Copies({ base }: { base: string }) {
  const copies = useQuery({ queryKey: [base], queryFn: () => askAt<Copies>(base), retry: false });
  return <Loaded query={copies}>{(data) => <CopiesView base={base} data={data} />}</Loaded>;
}

function CopiesView({ base, data }: { base: string; data: Copies }) {
  const [shown, setShown] = useState(data.copies.length === 1 ? data.copies[0]?.id : undefined);
  return (
    <main className="linked-copies">
      <p className="linked-from">{data.practice}</p>
      <h1>Papers for {data.reader}</h1>
      <p className="muted">
        Sent by {data.by}. They lie here until {day(data.endsOn)}; download what you want to keep.
      </p>
      {data.copies.length === 0 && <p>The practice took back what lay here. Ask them to send it again.</p>}
      <ul>
        {data.copies.map((copy) => (
          <li key={copy.id}>
            <div className="linked-copy">
              <strong>{copy.name}</strong>
              {copy.pages > 0 && (
                <button
                  type="button"
                  className="linklike"
                  aria-expanded={shown === copy.id}
                  onClick={() => setShown(shown === copy.id ? undefined : copy.id)}
                >
                  {shown === copy.id ? "Hide the pages" : "Look at it"}
                </button>
              )}
              <a href={`${base}/${copy.id}/content`} download>
                Download
              </a>
            </div>
            {shown === copy.id && copy.pages > 0 && (
              <Pages
                count={copy.pages}
                width={Math.min(window.innerWidth - 40, 760)}
                name={copy.name}
                source={(page) => `${base}/${copy.id}/pages/${page}?width=1400`}
              />
            )}
          </li>
        ))}
      </ul>
    </main>
  );
}

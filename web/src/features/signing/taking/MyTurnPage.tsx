import { Link, useParams } from "react-router";
import { TurnPage } from "./TurnPage";
import { byAccount } from "./turnCalls";

/** A turn of whoever is signed in. @param to where he came from */
export function MyTurnPage({ to, words }: { to: string; words: string }) {
  const { id = "" } = useParams();
  return (
    <TurnPage
      key={id}
      door={byAccount(id)}
      back={
        <Link className="turn-back" to={to}>
          ← {words}
        </Link>
      }
    />
  );
}

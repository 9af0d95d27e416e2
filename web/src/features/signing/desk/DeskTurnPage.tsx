import { useQueryClient } from "@tanstack/react-query";
import { useNavigate } from "react-router";
import "../signing.css";
import { TurnPage } from "../taking/TurnPage";
import { atDesk } from "../taking/turnCalls";
import { UnlockDesk } from "../UnlockDesk";

/** A request that is signed at the desk after all: the screen belongs to whoever signs until a colleague unlocks it. */
export function DeskTurnPage({ id }: { id: string }) {
  const navigate = useNavigate();
  const queries = useQueryClient();
  const back = async () => {
    navigate("/signing?show=all");
    await queries.invalidateQueries();
  };
  return (
    <>
      <TurnPage key={id} door={atDesk(id)} />
      <div className="turn desk-turn-foot">
        <UnlockDesk onUnlocked={back} />
      </div>
    </>
  );
}

import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect } from "react";
import { useNavigate, useParams } from "react-router";
import { api, done } from "../../../api/client";
import { meOptions } from "../../access/sessionQueries";
import { UnlockDesk } from "../UnlockDesk";
import "../signing.css";
import { TurnPage } from "../taking/TurnPage";
import { atDesk } from "../taking/turnCalls";

/** A request that is signed at the desk after all: the screen belongs to whoever signs until a colleague unlocks it. */
export function DeskTurnPage({ id: given }: { id?: string }) {
  const { id = given ?? "" } = useParams();
  const navigate = useNavigate();
  const queries = useQueryClient();
  const me = useQuery(meOptions).data;
  const lockedTo = me?.lockedToTurn;
  const isFree = me !== undefined && !lockedTo;
  useEffect(() => {
    if (isFree) {
      done(api.POST("/api/desk-turns/{turnId}/lock", { params: { path: { turnId: id } } })).then(
        () => queries.setQueryData(meOptions.queryKey, (me) => me && { ...me, lockedToTurn: id }),
        () => navigate("/signing", { replace: true }),
      );
    }
  }, [id, isFree, queries, navigate]);
  const back = async () => {
    await queries.invalidateQueries();
    navigate("/signing?show=asked");
  };
  return (
    <>
      {lockedTo && <TurnPage key={id} door={atDesk(id)} />}
      <div className="turn desk-turn-foot">
        <UnlockDesk onUnlocked={back} />
      </div>
    </>
  );
}

import { useQuery } from "@tanstack/react-query";
import { Link, useParams } from "react-router";
import { answer, api } from "../../api/client";
import { Loaded } from "../../ui/Quiet";
import { Where } from "../../ui/Where";
import { PortalView } from "./PortalPage";
import { PortalPlaceContext } from "./portalPlace";

const LOOKED_AT = { path: "", isWithin: true, isLookedAt: true };

/** The portal as a guest sees it, only to be looked at. */
export function AsGuestSees() {
  const { id = "" } = useParams();
  const portal = useQuery({
    queryKey: ["guests", id, "portal"],
    queryFn: () => answer(api.GET("/api/guests/{accountId}/portal", { params: { path: { accountId: id } } })),
  });
  return (
    <PortalPlaceContext value={LOOKED_AT}>
      <Loaded query={portal}>
        {(data) => (
          <>
            <Where>
              <Link to="/guests">Guests</Link> › <strong>as {data.guest} sees it</strong>
            </Where>
            <PortalView portal={data} />
          </>
        )}
      </Loaded>
    </PortalPlaceContext>
  );
}

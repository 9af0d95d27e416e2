import { Where } from "../../ui/Where";
import { PortalPage } from "./PortalPage";
import { PortalReader } from "./PortalReader";
import { PortalPlaceContext } from "./portalPlace";

const WITHIN = { path: "/my-file", isWithin: true, isLookedAt: false };

/** One's own file, for somebody who works here. */
export function MyFile({ paper }: { paper?: boolean }) {
  return (
    <PortalPlaceContext value={WITHIN}>
      <Where>
        <strong>My file</strong>
      </Where>
      {paper ? <PortalReader /> : <PortalPage />}
    </PortalPlaceContext>
  );
}

import { Navigate, Route, Routes } from "react-router";
import { SigningPage } from "../SigningPage";
import { DeskTurnPage } from "./DeskTurnPage";

/** All that a screen shows that belongs to a signing: whatever address is asked for, it is the signing. */
export function LockedDesk({ signings, turn }: { signings: string[]; turn: string | null }) {
  const [first, ...then] = signings;
  const home = turn
    ? `/signing/desk/${turn}`
    : `/signing/${first}${then.length > 0 ? `?then=${then.join(",")}` : ""}`;
  return (
    <Routes>
      {turn && <Route path={`/signing/desk/${turn}`} element={<DeskTurnPage id={turn} />} />}
      {signings.map((id) => (
        <Route key={id} path={`/signing/${id}`} element={<SigningPage id={id} />} />
      ))}
      <Route path="*" element={<Navigate to={home} replace />} />
    </Routes>
  );
}

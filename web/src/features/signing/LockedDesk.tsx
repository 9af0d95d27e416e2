import { Navigate, Route, Routes } from "react-router";
import { SigningPage } from "./SigningPage";

/** All that a screen shows that belongs to a signing: whatever address is asked for, it is the signing. */
export function LockedDesk({ signings }: { signings: string[] }) {
  const [first, ...then] = signings;
  const home = `/signing/${first}${then.length > 0 ? `?then=${then.join(",")}` : ""}`;
  return (
    <Routes>
      {signings.map((id) => (
        <Route key={id} path={`/signing/${id}`} element={<SigningPage id={id} />} />
      ))}
      <Route path="*" element={<Navigate to={home} replace />} />
    </Routes>
  );
}

import { useQuery } from "@tanstack/react-query";
import { lazy, Suspense } from "react";
import { Navigate, Route, Routes } from "react-router";
import { Problem } from "./api/client";
import { practiceOptions } from "./api/practice";
import { InvitationPage } from "./features/access/InvitationPage";
import { SessionBoundary } from "./features/access/SessionBoundary";
import { SignInPage } from "./features/access/SignInPage";
import { meOptions } from "./features/access/sessionQueries";
import { PortalPage } from "./features/portal/PortalPage";
import { PortalReader } from "./features/portal/PortalReader";
import { tellMomentsIn } from "./ui/days";
import { Loaded, OnItsWay } from "./ui/Quiet";

// a guest's phone fetches nothing of it
const StaffRoutes = lazy(() => import("./StaffRoutes"));

/** Which page an address shows; without a session it is the sign-in, for guests always the portal. */
export function Routing() {
  return (
    <Routes>
      <Route path="/invitation/:token" element={<InvitationPage />} />
      <Route path="*" element={<SignedIn />} />
    </Routes>
  );
}

function SignedIn() {
  const me = useQuery(meOptions);
  const practice = useQuery(practiceOptions);
  if (!me.data && me.error instanceof Problem && me.error.status === 401) {
    return <SignInPage />;
  }
  return (
    <Loaded query={practice}>
      {({ zone }) => {
        tellMomentsIn(zone);
        return (
          <Loaded query={me}>
            {(account) => (
              <SessionBoundary key={account.id} account={account}>
                <Suspense fallback={<OnItsWay />}>
                  {account.role === "GUEST" ? <GuestRoutes /> : <StaffRoutes />}
                </Suspense>
              </SessionBoundary>
            )}
          </Loaded>
        );
      }}
    </Loaded>
  );
}

function GuestRoutes() {
  return (
    <Routes>
      <Route path="/" element={<PortalPage />} />
      <Route path="/papers/:id" element={<PortalReader />} />
      <Route path="*" element={<Navigate to="/" replace />} />
    </Routes>
  );
}

import { useQuery } from "@tanstack/react-query";
import { lazy, type ReactNode, Suspense } from "react";
import { Navigate, Route, Routes } from "react-router";
import { Problem } from "./api/client";
import { practiceOptions } from "./api/practice";
import { SessionBoundary } from "./features/access/SessionBoundary";
import { meOptions } from "./features/access/sessionQueries";
import { PortalPage } from "./features/portal/PortalPage";
import { PortalReader } from "./features/portal/PortalReader";
import { tellMomentsIn } from "./ui/days";
import { Loaded, OnItsWay } from "./ui/Quiet";

// a guest's phone fetches nothing of these before it needs them
const Antd = lazy(() => import("./ui/Antd"));
const StaffRoutes = lazy(() => import("./StaffRoutes"));
const SignInPage = lazy(() =>
  import("./features/access/SignInPage").then((m) => ({ default: m.SignInPage })),
);
const InvitationPage = lazy(() =>
  import("./features/access/InvitationPage").then((m) => ({ default: m.InvitationPage })),
);

const BeginPage = lazy(() =>
  import("./features/beginning/BeginPage").then((m) => ({ default: m.BeginPage })),
);

const TurnDoor = lazy(() =>
  import("./features/signing/taking/TurnDoor").then((m) => ({ default: m.TurnDoor })),
);
const MyTurnPage = lazy(() =>
  import("./features/signing/taking/MyTurnPage").then((m) => ({ default: m.MyTurnPage })),
);

const LockedDesk = lazy(() =>
  import("./features/signing/desk/LockedDesk").then((m) => ({ default: m.LockedDesk })),
);

const CheckCopyPage = lazy(() =>
  import("./features/signing/CheckCopyPage").then((m) => ({ default: m.CheckCopyPage })),
);

function InAntd({ children }: { children: ReactNode }) {
  return (
    <Suspense fallback={<OnItsWay />}>
      <Antd>{children}</Antd>
    </Suspense>
  );
}

/** Which page an address shows; without a session it is the sign-in, for guests always the portal. */
export function Routing() {
  return (
    <Routes>
      <Route
        path="/invitation/:token"
        element={
          <Suspense fallback={<OnItsWay />}>
            <InvitationPage />
          </Suspense>
        }
      />
      <Route
        path="/begin/:key"
        element={
          <InAntd>
            <BeginPage />
          </InAntd>
        }
      />
      <Route
        path="/check"
        element={
          <Suspense fallback={<OnItsWay />}>
            <CheckCopyPage />
          </Suspense>
        }
      />
      <Route
        path="/sign/:token"
        element={
          <Suspense fallback={<OnItsWay />}>
            <TurnDoor />
          </Suspense>
        }
      />
      <Route path="*" element={<SignedIn />} />
    </Routes>
  );
}

function SignedIn() {
  const me = useQuery(meOptions);
  const practice = useQuery(practiceOptions);
  if (!me.data && me.error instanceof Problem && me.error.status === 401) {
    return (
      <Suspense fallback={<OnItsWay />}>
        <SignInPage />
      </Suspense>
    );
  }
  return (
    <Loaded query={practice}>
      {({ zone }) => {
        tellMomentsIn(zone);
        return (
          <Loaded query={me}>
            {(account) => (
              <SessionBoundary key={account.id} account={account}>
                {account.role === "GUEST" ? (
                  <GuestRoutes />
                ) : account.lockedTo.length > 0 || account.lockedToTurn ? (
                  <InAntd>
                    <LockedDesk signings={account.lockedTo} turn={account.lockedToTurn ?? null} />
                  </InAntd>
                ) : (
                  <InAntd>
                    <StaffRoutes />
                  </InAntd>
                )}
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
      <Route
        path="/signing/turns/:id"
        element={
          <Suspense fallback={<OnItsWay />}>
            <MyTurnPage to="/" words="Back" />
          </Suspense>
        }
      />
      <Route path="*" element={<Navigate to="/" replace />} />
    </Routes>
  );
}

import { useQuery } from "@tanstack/react-query";
import { type ComponentType, createElement } from "react";
import { Navigate, Route, Routes } from "react-router";
import { Problem } from "./api/client";
import { practiceOptions } from "./api/practice";
import { SessionBoundary } from "./features/access/SessionBoundary";
import { meOptions } from "./features/access/sessionQueries";
import { PortalPage } from "./features/portal/PortalPage";
import { PortalReader } from "./features/portal/PortalReader";
import { tellMomentsIn } from "./ui/days";
import { onDemand } from "./ui/onDemand";
import { Loaded } from "./ui/Quiet";

// a guest's phone fetches nothing of these before it needs them
const Antd = () => import("./ui/Antd").then((m) => m.default);

/** Fetches a page together with what screens made of Ant Design stand in. */
function inAntd<P extends object>(load: () => Promise<ComponentType<P>>) {
  return onDemand<P>(async () => {
    const [Around, Page] = await Promise.all([Antd(), load()]);
    return (props: P) => <Around>{createElement(Page, props)}</Around>;
  });
}

const StaffRoutes = inAntd(() => import("./StaffRoutes").then((m) => m.default));
const SignInPage = onDemand(() => import("./features/access/SignInPage").then((m) => m.SignInPage));
const InvitationPage = onDemand(() =>
  import("./features/access/InvitationPage").then((m) => m.InvitationPage),
);
const BeginPage = inAntd(() => import("./features/beginning/BeginPage").then((m) => m.BeginPage));
const TurnDoor = onDemand(() => import("./features/signing/taking/TurnDoor").then((m) => m.TurnDoor));
const LinkedCopiesPage = onDemand(() =>
  import("./features/leaving/opening/LinkedCopiesPage").then((m) => m.LinkedCopiesPage),
);
const ToldPage = onDemand(() => import("./features/chasing/ToldPage").then((m) => m.ToldPage));
const MyTurnPage = onDemand(() => import("./features/signing/taking/MyTurnPage").then((m) => m.MyTurnPage));
const LockedDesk = inAntd(() => import("./features/signing/desk/LockedDesk").then((m) => m.LockedDesk));
const CheckCopyPage = onDemand(() => import("./features/signing/CheckCopyPage").then((m) => m.CheckCopyPage));

/** Which page an address shows; without a session it is the sign-in, for guests always the portal. */
export function Routing() {
  return (
    <Routes>
      <Route path="/invitation/:token" element={<InvitationPage />} />
      <Route path="/begin/:key" element={<BeginPage />} />
      <Route path="/check" element={<CheckCopyPage />} />
      <Route path="/sign/:token" element={<TurnDoor />} />
      <Route path="/copies/:token" element={<LinkedCopiesPage />} />
      <Route path="/told/:token" element={<ToldPage />} />
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
                {account.role === "GUEST" ? (
                  <GuestRoutes />
                ) : account.lockedTo.length > 0 || account.lockedToTurn ? (
                  <LockedDesk signings={account.lockedTo} turn={account.lockedToTurn ?? null} />
                ) : (
                  <StaffRoutes />
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
      <Route path="/signing/turns/:id" element={<MyTurnPage to="/" words="Back" />} />
      <Route path="*" element={<Navigate to="/" replace />} />
    </Routes>
  );
}

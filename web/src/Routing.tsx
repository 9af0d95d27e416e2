import { useQuery } from "@tanstack/react-query";
import { Navigate, Outlet, Route, Routes } from "react-router";
import { Problem } from "./api/client";
import { practiceOptions } from "./api/practice";
import { InvitationPage } from "./features/access/InvitationPage";
import { SessionBoundary } from "./features/access/SessionBoundary";
import { SignInPage } from "./features/access/SignInPage";
import { meOptions } from "./features/access/sessionQueries";
import { ArrivalsPage } from "./features/arrivals/ArrivalsPage";
import { CoveragePage } from "./features/coverage/CoveragePage";
import { DemoMailPage } from "./features/demo/DemoMailPage";
import { FilePage } from "./features/files/FilePage";
import { FilesPage } from "./features/files/FilesPage";
import { FindPage } from "./features/finding/FindPage";
import { Frame } from "./features/frame/Frame";
import { HelpPage } from "./features/help/HelpPage";
import { DuplicatesPage } from "./features/merging/DuplicatesPage";
import { MergePage } from "./features/merging/MergePage";
import { PortalPage } from "./features/portal/PortalPage";
import { PortalReader } from "./features/portal/PortalReader";
import { OutsiderPage } from "./features/relations/OutsiderPage";
import { SetUpPage } from "./features/setup/SetUpPage";
import { SigningPage } from "./features/signing/SigningPage";
import { TodayPage } from "./features/today/TodayPage";
import { tellMomentsIn } from "./ui/days";
import { Loaded } from "./ui/Quiet";

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
                {account.role === "GUEST" ? <GuestRoutes /> : <StaffRoutes />}
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

function StaffRoutes() {
  return (
    <Routes>
      <Route path="/signing/:id" element={<SigningPage />} />
      <Route element={<Framed />}>
        <Route path="/today" element={<TodayPage />} />
        <Route path="/coverage" element={<CoveragePage />} />
        <Route path="/set-up/*" element={<SetUpPage />} />
        <Route path="/find" element={<FindPage />} />
        <Route path="/files" element={<FilesPage />} />
        <Route path="/files/duplicates" element={<DuplicatesPage />} />
        <Route path="/files/merge" element={<MergePage />} />
        <Route path="/files/:id" element={<FilePage />} />
        <Route path="/outsiders/:id" element={<OutsiderPage />} />
        <Route path="/arrivals" element={<ArrivalsPage />} />
        <Route path="/help/programs" element={<HelpPage />} />
        <Route path="/demo-mail" element={<DemoMailPage />} />
        <Route path="*" element={<Navigate to="/today" replace />} />
      </Route>
    </Routes>
  );
}

function Framed() {
  return (
    <Frame>
      <Outlet />
    </Frame>
  );
}

import { Navigate, Outlet, Route, Routes } from "react-router";
import { ArrivalsPage } from "./features/arrivals/ArrivalsPage";
import { ChasingPage } from "./features/chasing/page/ChasingPage";
import { PlanPage } from "./features/chasing/plans/PlanPage";
import { CoveragePage } from "./features/coverage/CoveragePage";
import { DemoMailPage } from "./features/demo/DemoMailPage";
import { FilePage } from "./features/files/FilePage";
import { FilesPage } from "./features/files/FilesPage";
import { FindPage } from "./features/finding/FindPage";
import { Frame } from "./features/frame/Frame";
import { HelpPage } from "./features/help/HelpPage";
import { LettersPage } from "./features/letters/LettersPage";
import { LetterBatchPage } from "./features/letters/writing/LetterBatchPage";
import { DuplicatesPage } from "./features/merging/DuplicatesPage";
import { MergePage } from "./features/merging/MergePage";
import { AsGuestSees } from "./features/portal/AsGuestSees";
import { GuestsPage } from "./features/portal/GuestsPage";
import { MyFile } from "./features/portal/MyFile";
import { OutsiderPage } from "./features/relations/OutsiderPage";
import { SetUpPage } from "./features/setup/SetUpPage";
import { RequestsPage } from "./features/signing/requests/RequestsPage";
import { SigningPage } from "./features/signing/SigningPage";
import { MyTurnPage } from "./features/signing/taking/MyTurnPage";
import { UnderWayPage } from "./features/standing/UnderWayPage";
import { TodayPage } from "./features/today/TodayPage";
import { onDemand } from "./ui/onDemand";
import { Where } from "./ui/Where";

// its editor is fetched by those who write
const WriteLetterPage = onDemand(() =>
  import("./features/letters/writing/WriteLetterPage").then((m) => m.WriteLetterPage),
);

/** The pages of those who work here. */
export default function StaffRoutes() {
  return (
    <Routes>
      <Route path="/signing/:id" element={<SigningPage />} />
      <Route element={<Framed />}>
        <Route path="/today" element={<TodayPage />} />
        <Route path="/under-way" element={<UnderWayPage />} />
        <Route path="/signing" element={<RequestsPage />} />
        <Route path="/chasing" element={<ChasingPage />} />
        <Route path="/chasing/plans/:id" element={<PlanPage />} />
        <Route path="/letters" element={<LettersPage />} />
        <Route path="/letters/batches/:id" element={<LetterBatchPage />} />
        <Route path="/letters/:id" element={<WriteLetterPage />} />
        <Route path="/signing/turns/:id" element={<Signs />} />
        <Route path="/coverage" element={<CoveragePage />} />
        <Route path="/set-up/*" element={<SetUpPage />} />
        <Route path="/find" element={<FindPage />} />
        <Route path="/files" element={<FilesPage />} />
        <Route path="/files/duplicates" element={<DuplicatesPage />} />
        <Route path="/files/merge" element={<MergePage />} />
        <Route path="/files/:id" element={<FilePage />} />
        <Route path="/guests" element={<GuestsPage />} />
        <Route path="/guests/:id" element={<AsGuestSees />} />
        <Route path="/my-file" element={<MyFile />} />
        <Route path="/my-file/papers/:id" element={<MyFile paper />} />
        <Route path="/outsiders/:id" element={<OutsiderPage />} />
        <Route path="/arrivals" element={<ArrivalsPage />} />
        <Route path="/help/programs" element={<HelpPage />} />
        <Route path="/demo-mail" element={<DemoMailPage />} />
        <Route path="*" element={<Navigate to="/today" replace />} />
      </Route>
    </Routes>
  );
}

function Signs() {
  return (
    <>
      <Where>
        <strong>Signing</strong>
      </Where>
      <MyTurnPage to="/signing" words="All that waits" />
    </>
  );
}

function Framed() {
  return (
    <Frame>
      <Outlet />
    </Frame>
  );
}

import { useEffect, useRef } from "react";
import { Navigate, NavLink, Route, Routes, useLocation } from "react-router";
import { Where } from "../../ui/Where";
import { PickupsSetUp } from "../arrivals/PickupsSetUp";
import { FirstSteps } from "../beginning/FirstSteps";
import { SetsSetUp } from "../beginning/SetsSetUp";
import { ChecklistsSetUp } from "../catalog/ChecklistsSetUp";
import { ImportPeople } from "../catalog/ImportPeople";
import { KindsSetUp } from "../catalog/KindsSetUp";
import { RulesAsJson } from "../catalog/RulesAsJson";
import { SectionsSetUp } from "../catalog/SectionsSetUp";
import "../catalog/set-up.css";
import { onDemand } from "../../ui/onDemand";
import { TypesSetUp } from "../catalog/TypesSetUp";
import { AccountsSetUp } from "../colleagues/AccountsSetUp";
import { TeamsSetUp } from "../colleagues/TeamsSetUp";
import { CertificatePage } from "../keeping/CertificatePage";
import { KeepingSetUp } from "../keeping/KeepingSetUp";
import { PracticeSetUp } from "../practice/PracticeSetUp";
import { KeysSetUp } from "../programs/KeysSetUp";

// its editor is fetched by those who write models
const ModelsSetUp = onDemand(() => import("../letters/models/ModelsSetUp").then((m) => m.ModelsSetUp));

const PLACES = [
  { path: "sets", label: "Ready-made sets", words: "to begin with, or to add" },
  { path: "checklists", label: "Checklists", words: "what each file must hold" },
  { path: "types", label: "Document types", words: "how long a paper holds" },
  { path: "models", label: "Models of letters", words: "what is written again and again" },
  { path: "kinds", label: "Kinds and facts", words: "what is known of a person" },
  { path: "sections", label: "Sections", words: "the parts of a file" },
  { path: "keeping", label: "Keeping", words: "how long files stay" },
  { path: "pickups", label: "Pickups", words: "scanners and cover sheets" },
  { path: "people", label: "People from a list", words: "new files from CSV or cards" },
  { path: "accounts", label: "People with accounts", words: "who may see what" },
  { path: "teams", label: "Teams", words: "departments and areas" },
  { path: "keys", label: "Keys for programs", words: "what may ask by itself" },
  { path: "practice", label: "The practice", words: "its name, look and days" },
  { path: "rules", label: "Rules as JSON", words: "out and in" },
];

/** Where an administrator says what files hold. */
export function SetUpPage() {
  const places = useRef<HTMLElement>(null);
  const { pathname } = useLocation();
  // on a narrow screen the places are a strip, of which the present one is to be seen
  // biome-ignore lint/correctness/useExhaustiveDependencies: it is another place that asks for it
  useEffect(() => {
    places.current?.querySelector(".active")?.scrollIntoView?.({ block: "nearest", inline: "center" });
  }, [pathname]);
  return (
    <div className="set-up">
      <FirstSteps />
      <Where>
        <strong>Set-up</strong>
      </Where>
      <nav className="set-up-places" aria-label="Set-up" ref={places}>
        {PLACES.map((place) => (
          <NavLink key={place.path} to={`/set-up/${place.path}`}>
            <strong>{place.label}</strong>
            <span>{place.words}</span>
          </NavLink>
        ))}
      </nav>
      <Routes>
        <Route path="sets" element={<SetsSetUp />} />
        <Route path="accounts/:code?" element={<AccountsSetUp />} />
        <Route path="teams" element={<TeamsSetUp />} />
        <Route path="keys" element={<KeysSetUp />} />
        <Route path="practice" element={<PracticeSetUp />} />
        <Route path="checklists/:code?" element={<ChecklistsSetUp />} />
        <Route path="types/:code?" element={<TypesSetUp />} />
        <Route path="models/:code?" element={<ModelsSetUp />} />
        <Route path="kinds/:code?" element={<KindsSetUp />} />
        <Route path="sections" element={<SectionsSetUp />} />
        <Route path="keeping" element={<KeepingSetUp />} />
        <Route path="keeping/:certificate" element={<CertificatePage />} />
        <Route path="pickups" element={<PickupsSetUp />} />
        <Route path="people" element={<ImportPeople />} />
        <Route path="rules" element={<RulesAsJson />} />
        <Route path="*" element={<Navigate to="/set-up/checklists" replace />} />
      </Routes>
    </div>
  );
}

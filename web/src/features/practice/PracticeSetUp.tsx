import { useQuery } from "@tanstack/react-query";
import { answer, api } from "../../api/client";
import { practiceOptions } from "../../api/practice";
import { usualCopiesOptions } from "../../api/usualCopies";
import { Loaded } from "../../ui/Quiet";
import { CopiesForm } from "./CopiesForm";
import { DaysForm } from "./DaysForm";
import { LookForm } from "./LookForm";
import { MarksForm } from "./MarksForm";
import { OwnFileForm } from "./OwnFileForm";
import { SessionsForm } from "./SessionsForm";
import { SigningForm } from "./SigningForm";
import "./practice.css";

const setUpPracticeOptions = {
  queryKey: ["set-up", "practice"],
  queryFn: () => answer(api.GET("/api/set-up/practice")),
};

const setUpMarksOptions = {
  queryKey: ["set-up", "marks"],
  queryFn: () => answer(api.GET("/api/set-up/marks")),
};

/** What the practice is called and looks like, how it counts days, and how long its people stay signed in. */
export function PracticeSetUp() {
  const practice = useQuery(practiceOptions);
  const own = useQuery(setUpPracticeOptions);
  const marks = useQuery(setUpMarksOptions).data;
  const copies = useQuery(usualCopiesOptions).data;
  return (
    <Loaded query={practice}>
      {(met) => (
        <Loaded query={own}>
          {(kept) => (
            <section className="set-up-body wide practice-set-up" aria-label="The practice">
              <LookForm practice={met} own={kept} />
              <DaysForm kept={{ zone: met.zone, dayOrder: met.dayOrder, weekStart: met.weekStart }} />
              <SessionsForm
                kept={{
                  idleMinutes: kept.sessionIdleMinutes,
                  mostHours: kept.sessionMostHours,
                  secondFactor: kept.secondFactor,
                }}
              />
              <SigningForm kept={{ confirm: kept.confirmSigning, addresses: kept.evidenceAddresses }} />
              {marks && <MarksForm kept={marks} />}
              {copies && <CopiesForm kept={copies} />}
              <OwnFileForm kept={{ deeds: kept.ownFile }} />
            </section>
          )}
        </Loaded>
      )}
    </Loaded>
  );
}

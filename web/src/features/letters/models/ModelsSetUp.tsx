import { useQuery } from "@tanstack/react-query";
import { useParams, useSearchParams } from "react-router";
import { practiceOptions } from "../../../api/practice";
import { Loaded, QuietEmpty } from "../../../ui/Quiet";
import { SetUpList } from "../../catalog/SetUpList";
import { modelsOptions } from "../letterQueries";
import { ModelEditor } from "./ModelEditor";
import "../letters.css";

/** What letters are written by. */
export function ModelsSetUp() {
  const { code } = useParams();
  const [search] = useSearchParams();
  const models = useQuery(modelsOptions);
  const today = useQuery(practiceOptions).data?.today;
  return (
    <Loaded query={models}>
      {(all) => {
        const isNew = code === "new";
        const chosen = isNew ? undefined : (all.find((m) => m.id === code) ?? all[0]);
        return (
          <>
            <SetUpList
              first={chosen?.id}
              title="Models of letters"
              path="/set-up/models"
              addWords="New model"
              entries={all.map((m) => ({
                code: m.id,
                label: m.name,
                words: m.retired ? "no longer in use" : m.typeLabel,
              }))}
            />
            {!chosen && !isNew && (
              <QuietEmpty title="No models yet">
                <p>Write once what is written again and again: names, days and amounts fill themselves in.</p>
              </QuietEmpty>
            )}
            {today && (chosen || isNew) && (
              <ModelEditor
                key={chosen?.id ?? `new ${search.get("of") ?? ""}`}
                model={chosen}
                copied={isNew ? all.find((m) => m.id === search.get("of")) : undefined}
                today={today}
              />
            )}
          </>
        );
      }}
    </Loaded>
  );
}

import { useQuery } from "@tanstack/react-query";
import { Loaded } from "../../ui/Quiet";
import { whoSeesOptions } from "./accountQueries";
import "./colleagues.css";

/** Everybody who may see a file, and by what right. */
export function WhoSees({ fileId }: { fileId: string }) {
  const all = useQuery(whoSeesOptions(fileId));
  return (
    <Loaded query={all}>
      {(people) => (
        <table className="accounts-table who-sees">
          <thead>
            <tr>
              <th scope="col">Name</th>
              <th scope="col">Why</th>
              <th scope="col">Sensitive papers</th>
              <th scope="col">May change</th>
            </tr>
          </thead>
          <tbody>
            {people.map((person) => (
              <tr key={person.accountId}>
                <td>
                  {person.name} {person.title && <span className="muted">{person.title}</span>}
                </td>
                <td>{person.why}</td>
                <td>{person.isGuest ? "if shared" : person.seesSensitive ? "yes" : "no"}</td>
                <td>
                  {person.isGuest
                    ? person.mayChange
                      ? "adds papers"
                      : "no"
                    : person.mayChange
                      ? "yes"
                      : "looks only"}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </Loaded>
  );
}

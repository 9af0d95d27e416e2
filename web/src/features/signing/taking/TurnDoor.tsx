import { useParams } from "react-router";
import { CodeDoor } from "../../access/CodeDoor";
import { TurnPage } from "./TurnPage";
import { byLink } from "./turnCalls";

/** The way to a turn for somebody without an account. */
export function TurnDoor() {
  const { token = "" } = useParams();
  const door = byLink(token);
  return (
    <CodeDoor
      base={door.base}
      why="A paper waits for your signature. So that nobody else signs in your name, we send a code to"
    >
      <TurnPage door={door} />
    </CodeDoor>
  );
}

import Markdown from "react-markdown";
import { Where } from "../../ui/Where";
import programs from "./programs.md?raw";
import "./help.css";

/** How programs ask, with requests to copy. */
export function HelpPage() {
  return (
    <div className="help-page">
      <Where>
        <strong>Help</strong>
      </Where>
      <article>
        <Markdown>{programs}</Markdown>
      </article>
    </div>
  );
}

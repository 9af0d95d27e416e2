import { render } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { Marked } from "./PaperText";

describe("Marked", () => {
  it("marks words by their number and keeps every letter and blank between", () => {
    const { container } = render(
      <Marked
        text={"  The  neck brace\nof the horse"}
        places={[
          { first: 1, last: 2 },
          { first: 5, last: 5 },
        ]}
        chosen={1}
      />,
    );
    const marks = [...container.querySelectorAll("mark")];
    expect(marks.map((m) => m.textContent)).toEqual(["neck brace", "horse"]);
    expect(marks.map((m) => m.className.includes("chosen"))).toEqual([false, true]);
    expect(container.textContent).toBe("The  neck brace\nof the horse");
  });

  it("shows a text without places as it is", () => {
    const { container } = render(<Marked text="a b" places={[]} />);
    expect(container.textContent).toBe("a b");
  });
});

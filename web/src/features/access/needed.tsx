import { type ComponentProps, lazy, Suspense } from "react";
import { Problem } from "../../api/client";

/** What is to be shown besides the password. */
export type Needed = "code-needed" | "second-factor-needed";

/** What a refusal of a right password asks for; undefined when it is another refusal. */
export function neededAfter(error: unknown): Needed | undefined {
  const code = error instanceof Problem ? error.code : "";
  return code === "code-needed" || code === "second-factor-needed" ? code : undefined;
}

const Antd = lazy(() => import("../../ui/Antd"));
const Step = lazy(() => import("./SecondStep").then((m) => ({ default: m.SecondStep })));

/** The step itself, fetched when it is needed. */
export function SecondStep(props: ComponentProps<typeof Step>) {
  return (
    <Suspense>
      <Antd>
        <Step {...props} />
      </Antd>
    </Suspense>
  );
}

import { type ReactNode, useEffect, useState } from "react";
import { createPortal } from "react-dom";

/** Puts where one is into the top line. */
export function Where({ children }: { children: ReactNode }) {
  const [place, setPlace] = useState<HTMLElement | null>(null);
  useEffect(() => setPlace(document.getElementById("where")), []);
  return place && createPortal(<div className="ellipsis">{children}</div>, place);
}

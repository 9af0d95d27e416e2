import { useEffect, useState } from "react";

/** A value once it has not changed for a moment, as when typing pauses; the former one until then. */
export function useSettled<T>(value: T, milliseconds: number): T {
  const [settled, settle] = useState(value);
  useEffect(() => {
    const pause = setTimeout(() => settle(value), milliseconds);
    return () => clearTimeout(pause);
  }, [value, milliseconds]);
  return settled;
}

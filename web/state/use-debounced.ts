import { useEffect, useState } from "react";

/** A value once it has not changed for a while: what is typed is searched for when the typing rests. */
export function useDebounced<T>(value: T, restMs = 150): T {
  const [rested, setRested] = useState(value);
  useEffect(() => {
    const timer = setTimeout(() => setRested(value), restMs);
    return () => clearTimeout(timer);
  }, [value, restMs]);
  return rested;
}

import { useCallback, useState } from "react";

/** State kept in this browser, so that a reload or another section finds it again. Foreign data falls back to `initial`. */
export function useStored<T>(key: string, initial: T, fits: (value: unknown) => value is T): [T, (value: T) => void] {
  const [value, setValue] = useState<T>(() => {
    try {
      const stored: unknown = JSON.parse(localStorage.getItem(key) ?? "null");
      return fits(stored) ? stored : initial;
    } catch {
      return initial;
    }
  });
  const set = useCallback(
    (next: T) => {
      localStorage.setItem(key, JSON.stringify(next));
      setValue(next);
    },
    [key],
  );
  return [value, set];
}

import { useCallback, useEffect, useState } from "react";

const read = () => decodeURIComponent(window.location.hash.slice(1)) || null;

/** What is selected, kept in the address, so that other screens can lead here. */
export function useHash(): [string | null, (id: string) => void] {
  const [id, setId] = useState(read);
  useEffect(() => {
    const follow = () => setId(read());
    window.addEventListener("hashchange", follow);
    return () => window.removeEventListener("hashchange", follow);
  }, []);
  const select = useCallback((next: string) => {
    window.history.replaceState(null, "", `#${encodeURIComponent(next)}`);
    setId(next);
  }, []);
  return [id, select];
}

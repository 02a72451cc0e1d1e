import { useSyncExternalStore } from "react";

let isSignedOut = false;
const listeners = new Set<() => void>();

/** The server says that nobody is signed in here any more. */
export function tellSignedOut(): void {
  isSignedOut = true;
  for (const listener of listeners) listener();
}

const subscribe = (listener: () => void): (() => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};

/** Whether the session has ended while the page was open. */
export const useSignedOut = (): boolean => useSyncExternalStore(subscribe, () => isSignedOut);

import { useEffect } from "react";
import { useLocationProperty } from "wouter/use-browser-location";

const readMark = () => new URLSearchParams(window.location.search).get("at");

/** Milliseconds after which the page stands. */
const AT_REST = 1000;

/** Where the focus goes when things are moved, taken away or led to. What does it is loaded after the page. */
export function useFocusHabits(): void {
  const path = useLocationProperty(readMark);
  useEffect(() => {
    // When the page is at rest: nothing is moved or taken away before.
    const timer = setTimeout(() => void import("./keep-focus.ts").then(({ keepFocus }) => keepFocus()), AT_REST);
    return () => clearTimeout(timer);
  }, []);
  useEffect(() => {
    if (!path) return;
    let stop: (() => void) | null = null;
    let left = false;
    void import("./mark-field.ts").then(({ markField }) => {
      if (!left) stop = markField(path);
    });
    return () => {
      left = true;
      stop?.();
    };
  }, [path]);
}

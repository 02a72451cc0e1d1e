import { type FocusEvent, type RefObject, useEffect, useRef, useState } from "react";

/** What to listen to on the list. */
type Holding = {
  readonly ref: RefObject<HTMLUListElement | null>;
  readonly onPointerEnter: () => void;
  readonly onPointerLeave: () => void;
  readonly onFocus: () => void;
  readonly onBlur: (event: FocusEvent) => void;
};

/**
 * The order of a list that more is added to while somebody looks at it: with the pointer over it, or focus in it, what is there stays
 * where it is, and what comes goes to its end. Nobody presses what has just moved there.
 *
 * @param keys in the order they have otherwise
 * @example const { order, holding } = useHeldOrder(findings.map(causeOf)); <ul {...holding}>…
 */
export function useHeldOrder(keys: readonly string[]): { order: readonly string[]; holding: Holding } {
  const [held, setHeld] = useState<readonly string[] | null>(null);
  const [by, setBy] = useState({ pointer: false, focus: false });
  const ref = useRef<HTMLUListElement>(null);
  // What has gone with the focus in it tells nobody that the focus has left.
  useEffect(() => {
    if (by.focus && !ref.current?.contains(document.activeElement)) setBy((now) => ({ ...now, focus: false }));
  });
  const isHeld = by.pointer || by.focus;
  if (!isHeld && held) setHeld(null);
  if (isHeld) {
    const known = new Set(held);
    const fresh = keys.filter((key) => !known.has(key));
    if (fresh.length > 0) setHeld([...(held ?? []), ...fresh]);
  }
  const there = new Set(keys);
  const order = isHeld && held ? held.filter((key) => there.has(key)) : keys;
  return {
    order,
    holding: {
      ref,
      onPointerEnter: () => setBy((now) => ({ ...now, pointer: true })),
      onPointerLeave: () => setBy((now) => ({ ...now, pointer: false })),
      onFocus: () => setBy((now) => ({ ...now, focus: true })),
      onBlur: ({ currentTarget, relatedTarget }) => {
        if (relatedTarget instanceof Node && currentTarget.contains(relatedTarget)) return;
        setBy((now) => ({ ...now, focus: false }));
      },
    },
  };
}

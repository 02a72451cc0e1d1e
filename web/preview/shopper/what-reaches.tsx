import { lazy, Suspense, useState } from "react";
import { say } from "../../language/say.ts";

const Fillings = lazy(() => import("./fillings.tsx").then((module) => ({ default: module.Fillings })));

/** What would bring the cart to its goals: looked for when it is asked for. */
export function WhatReaches({ onAdd }: { onAdd: (skus: readonly string[]) => void }) {
  const [isOpen, setIsOpen] = useState(false);
  return (
    <details className="mt-1 text-[13px]" onToggle={(event) => setIsOpen(event.currentTarget.open)}>
      <summary className="min-h-6 cursor-pointer text-quiet">{say("What would reach the goal?")}</summary>
      <div className="max-h-48 overflow-y-auto">
        <Suspense>{isOpen && <Fillings onAdd={onAdd} />}</Suspense>
      </div>
    </details>
  );
}

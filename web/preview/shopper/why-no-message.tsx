import { lazy, Suspense, useState } from "react";
import type { QuoteRequest } from "../../../core/request/request.ts";
import type { CompiledPlan } from "../../../core/tariff/compile.ts";
import { say } from "../../language/say.ts";

const OfferReasons = lazy(() => import("./offer-reasons.tsx").then((module) => ({ default: module.OfferReasons })));

/** Why other offers say nothing: loaded and worked out when it is asked for. */
export function WhyNoMessage({ compiled, request }: { compiled: CompiledPlan; request: QuoteRequest }) {
  const [isOpen, setIsOpen] = useState(false);
  return (
    <details className="mt-1 text-[13px]" onToggle={(event) => setIsOpen(event.currentTarget.open)}>
      <summary className="min-h-6 cursor-pointer text-quiet">{say("Why no message?")}</summary>
      <div className="max-h-48 overflow-y-auto">
        <Suspense>{isOpen && <OfferReasons compiled={compiled} request={request} />}</Suspense>
      </div>
    </details>
  );
}

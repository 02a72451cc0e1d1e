import { Link } from "wouter";
import type { Zone } from "../../../core/places/market.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import type { OverviewCell as Cell } from "../../../core/queries/overview.ts";
import { bandsWords, freeWords, nowWords, stepWords } from "./overview-words.ts";

type Props = { plan: Plan; zone: Zone; cell: Cell; currency: string };

/** One option in one zone: its price for the cart on screen, its bands, and what makes it cheaper. */
export function OverviewCell({ plan, zone, cell, currency }: Props) {
  const { option, now, steps } = cell;
  const bands = bandsWords(plan, zone, option, currency);
  const free = freeWords(cell, currency);
  const look = typeof now === "string" ? "text-[13px] text-quiet" : "text-[17px] font-semibold";
  return (
    <div className="py-0.5">
      <Link href={`/delivery#${encodeURIComponent(option)}`} className="group block min-h-6">
        <span className={`${look} ${now === 0 ? "text-primary" : ""} group-hover:underline`}>
          {nowWords(cell, currency)}
        </span>
      </Link>
      {steps.map((step) => (
        <Link
          key={`${step.offer}/${step.step}`}
          href={`/offers#${encodeURIComponent(step.offer)}`}
          title={plan.offers.find(({ id }) => id === step.offer)?.name}
          className={`block min-h-6 text-[13px] hover:underline ${step.price === 0 ? "text-primary" : ""}`}
        >
          <span aria-hidden className="mr-1 inline-block h-3 border-l-2 border-current align-[-1px]">
            <span className="block h-1.5 w-2 bg-current" />
          </span>
          {stepWords(step, currency)}
        </Link>
      ))}
      {free && <span className="block text-[13px] text-primary">{free}</span>}
      {bands && <span className="block text-[13px] text-quiet">{bands}</span>}
    </div>
  );
}

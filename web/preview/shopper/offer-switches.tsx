import type { Plan } from "../../../core/plan/plan.ts";
import { byPosition } from "../../../core/schema/atoms.ts";

type Props = {
  plan: Plan;
  /** The zones that may serve the standpoint. */
  zones: readonly string[];
  off: ReadonlySet<string>;
  onOff: (off: ReadonlySet<string>) => void;
};

/** Offers that could be at work here, each to be switched off for the look only. */
export function OfferSwitches({ plan, zones, off, onOff }: Props) {
  const offers = plan.offers
    .filter((offer) => offer.on && offer.zones.some((id) => zones.includes(id)))
    .sort(byPosition);
  if (offers.length === 0) return null;
  return (
    <details className="mt-2.5 text-[13px]" open={off.size > 0}>
      <summary className="cursor-pointer text-quiet">
        Look beneath the offers
        {off.size > 0 && <strong className="text-warning"> · {off.size} off for the look</strong>}
      </summary>
      <ul className="mt-1 grid max-h-32 gap-0.5 overflow-y-auto">
        {offers.map(({ id, name }) => (
          <li key={id}>
            <label className="flex cursor-pointer items-center gap-2">
              <input
                type="checkbox"
                className="checkbox checkbox-xs"
                checked={!off.has(id)}
                onChange={(event) => {
                  const next = new Set(off);
                  if (event.target.checked) next.delete(id);
                  else next.add(id);
                  onOff(next);
                }}
              />
              {name}
            </label>
          </li>
        ))}
      </ul>
    </details>
  );
}

import type { Plan } from "../../../core/plan/plan.ts";
import { byPosition } from "../../../core/schema/atoms.ts";
import { CheckField } from "../../fields/check-field.tsx";
import { say } from "../../language/say.ts";

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
        {say("Look beneath the offers")}
        {off.size > 0 && (
          <strong className="text-warning"> {say("· {size} off for the look", { size: off.size })}</strong>
        )}
      </summary>
      <ul className="mt-1 grid max-h-32 gap-0.5 overflow-y-auto">
        {offers.map(({ id, name }) => (
          <li key={id}>
            <CheckField
              label={name}
              checked={!off.has(id)}
              onCommit={(isOn) => {
                const next = new Set(off);
                if (isOn) next.delete(id);
                else next.add(id);
                onOff(next);
              }}
            />
          </li>
        ))}
      </ul>
    </details>
  );
}

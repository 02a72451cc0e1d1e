import { chargeWords } from "../../../core/charges/words.ts";
import type { DeliveryOption, ZoneOwn } from "../../../core/delivery/option.ts";
import type { AmountContext } from "../../../core/money/amount.ts";
import { type Plan, savedOf } from "../../../core/plan/plan.ts";
import { byPosition } from "../../../core/schema/atoms.ts";
import { columnsOf } from "../../editors/amounts/columns.ts";
import { ChargeEditor } from "../../editors/charges/charge-editor.tsx";
import { setOptional } from "../../state/set-optional.ts";

type Props = {
  plan: Plan;
  option: DeliveryOption;
  context: AmountContext;
  onOption: (option: DeliveryOption, done: boolean) => void;
  onCancel: () => void;
};

/** Zones that share the option, and what single ones have of their own instead. */
export function ZoneDifferences({ plan, option, context, onOption, onCancel }: Props) {
  const zones = plan.zones.filter(({ id }) => option.zones.includes(id)).sort(byPosition);
  if (zones.length < 2) return null;
  const set = (zone: string, own: ZoneOwn | undefined, done: boolean) => {
    const byZone = setOptional(option.byZone ?? {}, zone, own);
    onOption(setOptional(option, "byZone", Object.keys(byZone).length > 0 ? byZone : undefined), done);
  };
  return (
    <ul className="grid gap-2">
      {zones.map(({ id, name, market }) => {
        const own = option.byZone?.[id];
        const currency = plan.markets.find((one) => one.id === market)?.currencies[0] ?? context.currency;
        return (
          <li key={id} className={own ? "border-l-2 border-primary pl-3" : "pl-3.5"}>
            <p className="flex flex-wrap items-center gap-2">
              <span className="font-semibold">{name}</span>
              {own?.charge ? (
                <>
                  costs {chargeWords(own.charge, { ...context, market, currency }, savedOf(plan))}, unlike the others
                  <button type="button" className="btn btn-ghost btn-xs" onClick={() => set(id, undefined, true)}>
                    Share again<span className="sr-only"> in {name}</span>
                  </button>
                </>
              ) : (
                <button
                  type="button"
                  className="btn btn-ghost btn-xs"
                  onClick={() => set(id, { ...own, charge: option.charge }, true)}
                >
                  Give it its own charge<span className="sr-only"> in {name}</span>
                </button>
              )}
            </p>
            {own?.charge && (
              <ChargeEditor
                plan={plan}
                charge={own.charge}
                columns={columnsOf(plan, [id])}
                context={{ ...context, market, currency }}
                zones={[id]}
                explain={() => null}
                onCharge={(charge, done) => set(id, { ...own, charge }, done)}
                onCancel={onCancel}
              />
            )}
          </li>
        );
      })}
    </ul>
  );
}

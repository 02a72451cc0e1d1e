import { chargeWords } from "../../../core/charges/words.ts";
import type { DeliveryOption, ZoneOwn } from "../../../core/delivery/option.ts";
import { savedOf } from "../../../core/plan/plan.ts";
import { byPosition } from "../../../core/schema/atoms.ts";
import { ChargeEditor } from "../../editors/charges/charge-editor.tsx";
import { EditingContext, editingIn, useEditing } from "../../editors/editing.ts";
import { setOptional } from "../../state/set-optional.ts";

type Props = {
  option: DeliveryOption;
  onOption: (option: DeliveryOption, done: boolean) => void;
};

/** Zones that share the option, and what single ones have of their own instead. */
export function ZoneDifferences({ option, onOption }: Props) {
  const { plan, context } = useEditing();
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
        const there = { ...context, market, currency };
        return (
          <li key={id} className={own ? "border-l-2 border-primary pl-3" : "pl-3.5"}>
            <p className="flex flex-wrap items-center gap-2">
              <span className="font-semibold">{name}</span>
              {own?.charge ? (
                <>
                  costs {chargeWords(own.charge, there, savedOf(plan))}, unlike the others
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
              <EditingContext value={editingIn({ plan, context: there, zones: [id], explain: () => null })}>
                <ChargeEditor charge={own.charge} onCharge={(charge, done) => set(id, { ...own, charge }, done)} />
              </EditingContext>
            )}
          </li>
        );
      })}
    </ul>
  );
}

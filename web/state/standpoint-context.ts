import { createContext, use, useMemo } from "react";
import type { Market } from "../../core/places/market.ts";
import { resolvePlace } from "../../core/places/resolve.ts";
import type { Plan } from "../../core/plan/plan.ts";
import type { CompiledPlan } from "../../core/tariff/compile.ts";
import { destinationOf, FIRST_STANDPOINT, isStandpoint, type Standpoint } from "./standpoint.ts";
import { useDraft } from "./use-draft.ts";
import { useStored } from "./use-stored.ts";

export type LookedFrom = {
  readonly standpoint: Standpoint;
  readonly setStandpoint: (standpoint: Standpoint) => void;
  /** The zones that may serve it. */
  readonly zones: readonly string[];
  /** The market of the first of them; null where nobody delivers. */
  readonly market: Market | null;
};

export const STANDPOINT_KEY = "summant.standpoint";

export const StandpointContext = createContext<LookedFrom | null>(null);

/** Where and as whom one looks. @throws Error outside of the frame that gives it */
export function useStandpoint(): LookedFrom {
  const looked = use(StandpointContext);
  if (!looked) throw new Error("nothing here says where one looks from");
  return looked;
}

/** The standpoint kept in this browser, as the plan takes it. */
export function useKeptStandpoint(): LookedFrom {
  const { compiled, plan } = useDraft();
  const [chosen, setStandpoint] = useStored(STANDPOINT_KEY, FIRST_STANDPOINT, isStandpoint);
  const standpoint = useMemo(() => (compiled ? settled(chosen, compiled) : chosen), [chosen, compiled]);
  const zones = useMemo(
    () => (compiled ? resolvePlace(compiled.places, destinationOf(standpoint, compiled.locations)).zones : []),
    [compiled, standpoint],
  );
  const market = marketOf(plan, zones[0]);
  return { standpoint, setStandpoint, zones, market };
}

export const marketOf = (plan: Plan | null, zone: string | undefined): Market | null =>
  plan?.markets.find(({ id }) => id === plan.zones.find((candidate) => candidate.id === zone)?.market) ?? null;

/** A standpoint in a currency and language its market takes: the market's first where it does not take the one at hand. */
function settled(standpoint: Standpoint, { places, plan, locations }: CompiledPlan): Standpoint {
  const markets = resolvePlace(places, destinationOf(standpoint, locations)).zones.map(
    (id) => plan.zones.find((zone) => zone.id === id)?.market,
  );
  const market = plan.markets.find(({ id }) => id === markets[0]);
  const several = new Set(markets).size > 1;
  if (!market || several || market.currencies.includes(standpoint.currency)) return standpoint;
  return {
    ...standpoint,
    currency: market.currencies[0] ?? standpoint.currency,
    locale: market.languages[0] ?? standpoint.locale,
  };
}

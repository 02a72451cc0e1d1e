import type { Plan } from "../../../core/plan/plan.ts";

/** What can be selected among the places. */
export type PlaceKind = "market" | "zone" | "location";

/** What would break if a market, zone or location went. */
export function usersOf(plan: Plan, kind: PlaceKind, id: string): string[] {
  switch (kind) {
    case "market":
      return plan.zones.filter(({ market }) => market === id).map(({ name }) => `zone ${name}`);
    case "zone":
      return [
        ...plan.options
          .filter(({ zones }) => zones.includes(id))
          .map(({ name, id: option }) => `option ${name.en ?? option}`),
        ...plan.offers.filter(({ zones }) => zones.includes(id)).map(({ name }) => `offer ${name}`),
      ];
    case "location": {
      const text = JSON.stringify(id);
      const uses = (body: unknown) => JSON.stringify(body).includes(text);
      return [
        ...(plan.store.shipsFrom === id ? ["the store's ship-from address"] : []),
        ...plan.options
          .filter(({ way, promise, charge }) => uses({ way, promise, charge }))
          .map(({ name, id: option }) => `option ${name.en ?? option}`),
        ...(plan.conditions ?? []).filter(({ when }) => uses(when)).map(({ name }) => `condition “${name}”`),
      ];
    }
  }
}

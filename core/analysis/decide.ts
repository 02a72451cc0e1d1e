import type { Condition } from "../conditions/condition.ts";
import { readFor } from "../evaluate/prepared-request.ts";
import { zonesWithOwnAmounts } from "../money/amounts-in.ts";
import { keptBy } from "../phrases/kept.ts";
import { type Plan, savedOf } from "../plan/plan.ts";
import { explainerIn } from "../queries/explain-at.ts";
import type { QuoteRequest } from "../request/request.ts";
import { constraintsOf } from "./constraints.ts";
import { type Disjunct, toDisjuncts } from "./normal-form.ts";
import { placesNamed } from "./places-named.ts";
import { requestsFor } from "./witness/requests.ts";
import { clauseContext, type World, type ZoneContext } from "./world.ts";

/** `witness`: a request for which it is so, confirmed by asking the engine; `never`: there is none; else not decided. */
export type Decision =
  | { readonly kind: "witness"; readonly request: QuoteRequest }
  | { readonly kind: "never" }
  | { readonly kind: "undecided" };

/** Standpoints and carts tried for one way before it is given up. */
const MOST_TRIES = 400;

/**
 * Whether a condition can hold (or fail) for some shopper, cart, place and moment of a world. `never` follows from the
 * facts alone; a witness has been put to the engine. It never guesses: what it cannot settle is `undecided`.
 *
 * @param wanted true: that it holds; false: that it fails
 * @example decide(world, { kind: "items", is: "less-than", count: 0 }, true).kind // "never"
 */
export function decide(world: World, condition: Condition, wanted: boolean): Decision {
  const ways = toDisjuncts(condition, wanted, savedOf(world.compiled.plan));
  if (!ways) return { kind: "undecided" };
  let undecided = false;
  const contexts = contextsFor(world, condition);
  for (const way of ways) {
    for (const where of contexts) {
      const found = decideWay(world, where, way, condition, wanted);
      if (found.kind === "witness") return found;
      undecided ||= found.kind === "undecided";
    }
  }
  return { kind: undecided ? "undecided" : "never" };
}

/** Zones of one market and tax are alike to conditions that ask about no place, but for amounts of their own. */
function contextsFor({ compiled, contexts }: World, condition: Condition): readonly ZoneContext[] {
  if (placesNamed(condition, savedOf(compiled.plan)).length > 0) return contexts;
  const [own, ofSaved] = [zonesWithOwnAmounts(condition), zonesOfSaved(compiled.plan)];
  const kindOf = ({ zone, market, currency }: ZoneContext) =>
    own.has(zone.id) || ofSaved.has(zone.id)
      ? `${zone.id} ${currency}`
      : `${market.id} ${currency} ${zone.standardTaxRate}`;
  const apart = new Map(contexts.map((where) => [kindOf(where), where]));
  return [...apart.values()];
}

/** The zones that saved conditions have amounts of their own for. */
const zonesOfSaved = keptBy((plan: Plan): ReadonlySet<string> => zonesWithOwnAmounts(plan.conditions));

function decideWay(world: World, where: ZoneContext, way: Disjunct, condition: Condition, wanted: boolean): Decision {
  const { compiled } = world;
  let undecided = false;
  for (const constraints of constraintsOf(way, clauseContext(world, where))) {
    const requests = requestsFor(world, where, constraints);
    if (!requests) continue;
    const tariff = compiled.tariffOf(where.zone.id, where.currency);
    const explain = tariff ? explainerIn(compiled, tariff, condition) : () => null;
    let tries = 0;
    for (const request of requests) {
      tries += 1;
      if (tries > MOST_TRIES) break;
      const read = readFor(compiled, request);
      if (read && explain(read.cart, read.facts)?.truth === wanted) return { kind: "witness", request };
    }
    undecided = true;
  }
  return { kind: undecided ? "undecided" : "never" };
}

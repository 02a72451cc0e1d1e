import { expose } from "comlink";
import { addressesOf } from "../../../core/analysis/addresses.ts";
import { type OverviewRow, overviewOf } from "../../../core/queries/overview.ts";
import type { Destination, QuoteRequest } from "../../../core/request/request.ts";
import { type CompiledPlan, compileSound } from "../../../core/tariff/compile.ts";
import { COUNTRY_CODES } from "../../names/country-codes.ts";
import { type PlanPatch, patched } from "../../state/plan-patch.ts";

type Held = { readonly compiled: CompiledPlan; readonly addresses: ReadonlyMap<string, readonly Destination[]> };

let held: Held | null = null;

/** What is asked of a zone: as it stands where its place is told, else from an address of the zone. */
export type AskedOfZone = { readonly zone: string; readonly request: QuoteRequest; readonly isHere: boolean };

const worker = {
  /** Holds another plan from now on, which was found sound where it comes from; the same one is not compiled again. */
  hold(patch: PlanPatch): void {
    const plan = patched(held?.compiled.plan ?? null, patch);
    if (held && !("whole" in patch) && patch.changes.length === 0) return;
    const compiled = compileSound(plan);
    // Any country may be what a zone of the rest of the world has left.
    const countries = COUNTRY_CODES.map((country) => ({ country }));
    held = { compiled, addresses: addressesOf(compiled, countries) };
  },

  overview(asked: readonly AskedOfZone[]): OverviewRow[] {
    if (!held) return [];
    const { compiled, addresses } = held;
    const byZone = new Map(asked.map((one) => [one.zone, one]));
    const whereAsked = new Map(
      asked.flatMap(({ zone, request, isHere }): [string, readonly Destination[]][] =>
        isHere ? [[zone, [request.destination]]] : [],
      ),
    );
    return overviewOf(
      compiled,
      compiled.plan.zones.filter(({ id }) => byZone.has(id)),
      new Map([...addresses, ...whereAsked]),
      ({ id }, destination) => {
        const one = byZone.get(id);
        if (!one) throw new RangeError(`nothing is asked of zone "${id}"`);
        return { ...one.request, destination };
      },
    );
  },
};

export type OverviewWorker = typeof worker;

expose(worker);

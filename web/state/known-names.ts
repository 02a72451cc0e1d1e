import { useQuery } from "@tanstack/react-query";
import { useMemo } from "react";
import { visitCondition } from "../../core/conditions/visit.ts";
import type { Plan } from "../../core/plan/plan.ts";
import { visitConditions } from "../../core/plan/visit-conditions.ts";
import type { CatalogueNames } from "../../server/catalogue/catalogue.ts";
import { catalogueNames } from "./server-queries.ts";
import { useDraft } from "./use-draft.ts";

const NONE: CatalogueNames = { categories: [], tags: [], parcelClasses: [] };

/** What the catalogue's products are filed under; nothing until it is there. */
export const useCatalogueNames = (): CatalogueNames => useQuery(catalogueNames).data ?? NONE;

/** Names by which a shop's server knows things, as far as conditions of a plan ask for them. */
type NamesAsked = {
  readonly groups: readonly string[];
  readonly channels: readonly string[];
  readonly payments: readonly string[];
};

const NOTHING_ASKED: NamesAsked = { groups: [], channels: [], payments: [] };

/** The groups of shoppers, channels and ways of paying that conditions of a plan ask for. */
export function namesAsked(plan: Plan): NamesAsked {
  const payments = new Set<string>();
  const groups = new Set<string>();
  const channels = new Set<string>(plan.store.channels?.map(({ id }) => id));
  for (const { condition } of visitConditions(plan)) {
    for (const { condition: part } of visitCondition(condition)) {
      if (part.kind === "group") for (const group of part.groups) groups.add(group);
      if (part.kind === "payment") for (const method of part.methods) payments.add(method);
      if (part.kind === "channel") for (const channel of part.channels) channels.add(channel);
    }
  }
  return { groups: [...groups].sort(), channels: [...channels].sort(), payments: [...payments].sort() };
}

/** The same of the draft as it was sound last. For forms while they are open: the whole plan is gone through. */
export function useNamesAsked(): NamesAsked {
  const { compiled } = useDraft();
  return useMemo(() => (compiled ? namesAsked(compiled.plan) : NOTHING_ASKED), [compiled]);
}

import type { Market } from "../../../core/places/market.ts";
import type { Entity, EntityKind } from "../../../core/plan/entities.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import { entityWords } from "../../names/entity-words.ts";

type Props = {
  kind: EntityKind;
  before: Entity | null;
  after: Entity | null;
  plan: Plan;
  /** As it was released: former words name what there was then. */
  former: Plan;
  market: Market | null;
  currency: string;
};

/** One thing as it was and as it shall be, in words. */
export function EntityChange({ kind, before, after, plan, former, market, currency }: Props) {
  const words = (entity: Entity, of: Plan) => entityWords(entity, of, market, currency);
  return (
    <li>
      <p className="text-[13px] text-quiet">
        {before === null ? "New" : after === null ? "Removed" : "Changed"} {kind}
      </p>
      {before && <p className={after ? "text-quiet line-through" : ""}>{words(before, former)}</p>}
      {after && <p className="font-semibold">{words(after, plan)}</p>}
    </li>
  );
}

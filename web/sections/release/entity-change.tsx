import { changeLines } from "../../../core/explain/change-lines.ts";
import type { Market } from "../../../core/places/market.ts";
import { ENTITY_KINDS, type Entity, type EntityKind } from "../../../core/plan/entities.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import { say } from "../../language/say.ts";
import { entityWords } from "../../names/entity-words.ts";
import { PartLines } from "./part-lines.tsx";

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

/** So many parts are told at once; the rest when they are asked for. */
const MOST_AT_ONCE = 8;

/** One thing as it was and as it shall be: in a sentence, and part by part. */
export function EntityChange({ kind, before, after, plan, former, market, currency }: Props) {
  const words = (entity: Entity, of: Plan) => entityWords(entity, of, market, currency);
  const [was, is] = [before && words(before, former), after && words(after, plan)];
  // What is new or gone is told by its sentence.
  const lines = before && after ? changeLines(before, after, former, plan) : [];
  return (
    <li>
      <p className="text-[13px] text-quiet">
        {before === null ? say("New") : after === null ? say("Removed") : say("Changed")}{" "}
        {say(ENTITY_KINDS[kind].words)}
      </p>
      {was !== null && was !== is && <p className={after ? "text-quiet line-through" : ""}>{was}</p>}
      {is !== null && <p className="font-semibold">{is}</p>}
      <PartLines lines={lines.slice(0, MOST_AT_ONCE)} />
      {lines.length > MOST_AT_ONCE && (
        <details className="text-[13px]">
          <summary className="min-h-6 cursor-pointer text-quiet">
            {say("And {count} more parts", { count: lines.length - MOST_AT_ONCE })}
          </summary>
          <PartLines lines={lines.slice(MOST_AT_ONCE)} />
        </details>
      )}
    </li>
  );
}

import { clauseContext, type ZoneContext } from "../../analysis/world.ts";
import { shapeOf } from "../../conditions/condition.ts";
import type { LineNeed } from "../../conditions/constraint.ts";
import { conditionKind } from "../../conditions/registry.ts";
import { visitCondition } from "../../conditions/visit.ts";
import { conditionWords } from "../../conditions/words.ts";
import { includes } from "../../facts/intervals.ts";
import { onlyOf } from "../../measures/measure-spec.ts";
import { type OnlyPieces, onlyWords, pickGoods } from "../../measures/only-goods.ts";
import { phrase } from "../../phrases/phrase.ts";
import { savedOf } from "../../plan/plan.ts";
import { goodsOf } from "../../rewards/reward.ts";
import { askedConditions } from "../asked-conditions.ts";
import { type Check, type CheckContext, type CheckedProduct, type FoundFault, onOffer } from "../check.ts";

/** Goods that are asked for, or counted, or profit, and that the catalogue does not have: a category renamed, a range of prices too high. */
export const goodsNotSold: Check = {
  code: "goods-not-sold",
  severity: "risky",
  *find(context) {
    // Without a catalogue nothing is known of what is sold.
    if (context.around.products.length === 0) return;
    yield* inOffers(context);
    yield* inConditions(context);
  },
};

function* inOffers(context: CheckContext): Generator<FoundFault> {
  for (const offer of context.plan.offers) {
    if (!offer.on) continue;
    const contexts = context.contextsOf(offer.zones);
    const [first] = contexts;
    if (!first) continue;
    const words = (only: OnlyPieces) => onlyWords(only, context.amountContext(first)) ?? "";
    const counted = onlyOf(offer.counts);
    if (counted && !contexts.some((where) => isSold(context, counted, where)))
      yield {
        sentence: phrase("“{name}” counts only goods {words}: the catalogue has none.", {
          name: offer.name,
          words: words(counted),
        }),
        at: onOffer(offer, "/counts/only"),
        witness: null,
      };
    for (const [step, { reward }] of offer.steps.entries()) {
      const goods = goodsOf(reward);
      if (goods && !contexts.some((where) => isSold(context, goods, where)))
        yield {
          step,
          sentence: ({ words: steps, count }) =>
            phrase(
              "{steps} of “{name}” {count, plural, one {is} other {are}} for goods {goods} alone: the catalogue has none.",
              {
                steps,
                name: offer.name,
                count,
                goods: words(goods),
              },
            ),
          at: onOffer(offer, `/steps/${step}/reward/goods`),
          witness: null,
        };
    }
  }
}

/** Used or new is not in the catalogue. */
function isSold(context: CheckContext, { condition: _, ...only }: OnlyPieces, where: ZoneContext): boolean {
  const picked = pickGoods(only, context.amountContext(where));
  return (
    picked === undefined ||
    context.around.products.some((product) => {
      const unitPrice = product.prices[where.currency];
      return unitPrice !== undefined && picked.has({ ...product, used: false, unitPrice });
    })
  );
}

function* inConditions(context: CheckContext): Generator<FoundFault> {
  const saved = savedOf(context.plan);
  for (const { condition, zones, at, whose } of askedConditions(context.plan)) {
    const contexts = context.contextsOf(zones);
    const [first] = contexts;
    for (const { condition: part, path } of visitCondition(condition, at.path)) {
      const shape = shapeOf(part);
      if (shape.role !== "plain" || !first) continue;
      const unsold = contexts.every((where) =>
        needsOf(context, shape.condition, where).some(
          (need) => !context.around.products.some((product) => meets(product, need, where.currency)),
        ),
      );
      if (!unsold) continue;
      yield {
        sentence: phrase("{whose} asks whether {condition}: the catalogue has no such goods.", {
          whose,
          condition: conditionWords(part, context.amountContext(first), saved),
        }),
        at: { ...at, path },
        witness: null,
      };
    }
  }
}

/** Kinds of line that a clause wants to be there. */
function needsOf(context: CheckContext, clause: Parameters<typeof conditionKind>[0], where: ZoneContext): LineNeed[] {
  const within = conditionKind(clause).constrains(clause, clauseContext(context, where))?.within;
  if (within?.kind === "line-for-each") return within.needs.map((need) => need(true));
  return within?.kind === "lines" && within.how !== "none" ? [within.need(true)] : [];
}

/** Whether a product can be such a line, as far as the catalogue says. */
function meets(product: CheckedProduct, { labels, figures }: LineNeed, currency: string): boolean {
  const names = {
    categories: product.categories,
    tags: product.tags,
    skus: [product.sku],
    "parcel-classes": product.parcelClass === undefined ? [] : [product.parcelClass],
  };
  const price = product.prices[currency];
  return (
    labels.every(({ kind, in: list, wanted }) => names[kind].some((name) => list.includes(name)) === wanted) &&
    figures.every(({ figure, within }) => figure !== "price" || (price !== undefined && includes(within, price)))
  );
}

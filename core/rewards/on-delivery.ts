import { ShareGoods } from "../measures/only-goods.ts";
import { Amount } from "../money/amount.ts";
import { closed, Id } from "../schema/atoms.ts";
import { Type } from "../schema/type.ts";

/** What every reward on delivery says: on which options, up to which full price, and what falls away with the charge. */
export const onDelivery = {
  options: Type.Array(Id, {
    minItems: 1,
    maxItems: 100,
    uniqueItems: true,
    description: "Delivery options it is given on",
  }),
  limit: Type.Optional({ ...Amount, description: "Only where the option's full price is no more than this" }),
  goods: Type.Optional({
    ...ShareGoods,
    description: "Only on their share: the charge with all goods less the charge without them",
  }),
  covers: Type.Optional(
    Type.Object(
      {
        handling: Type.Optional(Type.Boolean({ description: "true unless given" })),
        surcharges: Type.Optional(Type.Boolean({ description: "true unless given" })),
        ownCharges: Type.Optional(Type.Boolean({ description: "Products' own charges; false unless given" })),
      },
      { ...closed, title: "Covers" },
    ),
  ),
};

/** The same of a reward that only the whole of a price can have. */
const { goods: _, ...onWholePrice } = onDelivery;

export { onWholePrice };

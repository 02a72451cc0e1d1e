import { CurrencyCode, closed } from "../../core/schema/atoms.ts";
import { type Static, Type } from "../../core/schema/type.ts";
import { LocalDay } from "../../core/time/local.ts";

/** "" stands for orders of which it is not known. */
export const orUnknown = Type.String({ maxLength: 64 });

/** Which orders are meant: in one currency, and all of them where nothing else is said. */
export const OrderFilter = Type.Object(
  {
    currency: CurrencyCode,
    market: Type.Optional(orUnknown),
    zone: Type.Optional(orUnknown),
    channel: Type.Optional(orUnknown),
    buyer: Type.Optional(Type.Union([Type.Literal("new"), Type.Literal("returning"), Type.Literal("")])),
    from: Type.Optional({ ...LocalDay, description: "The first day" }),
    until: Type.Optional({ ...LocalDay, description: "The last day" }),
  },
  { ...closed, title: "OrderFilter" },
);
export type OrderFilter = Static<typeof OrderFilter>;

/** A condition of a statement, with what its question marks stand for. */
export type Condition = { readonly where: string; readonly values: readonly unknown[] };

/** The condition on the columns that orders and what is rolled up of them have alike. */
export function orderCondition({ currency, from, until, ...equal }: OrderFilter): Condition {
  const parts: Condition[] = [
    { where: "currency = ?", values: [currency] },
    ...(from === undefined ? [] : [{ where: "day >= ?", values: [from] }]),
    ...(until === undefined ? [] : [{ where: "day <= ?", values: [until] }]),
    ...(["market", "zone", "channel", "buyer"] as const).flatMap((column): Condition[] => {
      const wanted = equal[column];
      if (wanted === undefined) return [];
      return [{ where: `COALESCE(${column}, '') = ?`, values: [wanted] }];
    }),
  ];
  return { where: parts.map(({ where }) => where).join(" AND "), values: parts.flatMap(({ values }) => values) };
}

import { closed, Id } from "../schema/atoms.ts";
import { type Static, Type } from "../schema/type.ts";

/** What a carrier knows the store by; it then asks what was agreed on, unless its list is wanted all the same. */
export const CarrierAccount = Type.Object(
  {
    account: Type.String({
      title: "An account number",
      pattern: "^[A-Za-z0-9][A-Za-z0-9 ./-]{0,39}$",
      examples: ["OS-4711"],
    }),
    prices: Type.Optional(Type.Literal("list", { description: "Prices of its list, not those agreed on" })),
  },
  { ...closed, title: "CarrierAccount" },
);
export type CarrierAccount = Static<typeof CarrierAccount>;

/** The store's accounts by carrier. */
export const CarrierAccounts = Type.Record(Id, CarrierAccount, {
  ...closed,
  description: "Accounts with live carriers",
});

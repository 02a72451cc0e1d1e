import type { Fact } from "../fact.ts";

/** A web shop, an app, a till. */
export const salesChannel: Fact = { name: "moment.channel", domain: { kind: "name" }, words: "where the cart is" };

import { phrase } from "../../phrases/phrase.ts";
import type { Fact } from "../fact.ts";

/** A web shop, an app, a till. */
export const salesChannel: Fact = {
  name: "moment.channel",
  domain: { kind: "name" },
  words: phrase("where the cart is"),
};

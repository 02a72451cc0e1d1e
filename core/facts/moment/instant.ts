import { phrase } from "../../phrases/phrase.ts";
import type { Fact } from "../fact.ts";

/** The moment itself. */
export const instant: Fact = { name: "moment.instant", domain: { kind: "instant" }, words: phrase("the moment") };

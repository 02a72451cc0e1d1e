import { type Comparison, comparing } from "./compare.ts";
import { type CompiledLeaf, leaf } from "./definition.ts";

/** A condition on what a measure counts. */
export const countedLeaf = (measure: number, is: Comparison, to: number): CompiledLeaf =>
  leaf(
    comparing(is, to, (situation, least) => situation.reaches(measure, least)),
    (situation) => situation.count(measure),
    "figures",
  );

import { banded as bandsCharge } from "../../../../core/charges/kinds/bands.ts";
import { phrase } from "../../../../core/phrases/phrase.ts";
import { amountIn } from "../amount-in.ts";
import { BandsTable } from "../bands-table.tsx";
import type { ChargeKindEditor } from "../charge-kind-editor.ts";

/** A price by how much there is of something. */
export const bands: ChargeKindEditor<"bands"> = {
  words: phrase("bands"),
  instead: (former) => ({ kind: "bands", by: bandsCharge.example.by, first: amountIn(former), edges: [] }),
  Fields: BandsTable,
};

import type { PastOrder, PlainOrder } from "../../core/evidence/past-order.ts";

/** An order as it comes from a shop or a file. */
export type OrderIn = PastOrder | PlainOrder;

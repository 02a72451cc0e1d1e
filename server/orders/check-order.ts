import { isRecord } from "../../core/schema/is-record.ts";
import type { Checked } from "../../core/validation/checker.ts";
import { checkPastOrder, checkPlainOrder } from "../../core/validation/documents.ts";
import type { OrderIn } from "./order-in.ts";

/** Checks an order by the form it means to have: with its request, or with its total alone. */
export const checkOrderIn = (data: unknown): Checked<OrderIn> =>
  isRecord(data) && !("request" in data) && "total" in data ? checkPlainOrder(data) : checkPastOrder(data);

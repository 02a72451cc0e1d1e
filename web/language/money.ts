import { type MoneyStyle, writtenMoney } from "../../core/money/format.ts";
import { sayValue } from "./say.ts";

/** Money for the people who make plans, in the language of the app. @example makersMoney(4500, "CAD", "short") // "CA$45" */
export const makersMoney = (minor: number, currency: string, style: MoneyStyle = "exact"): string =>
  sayValue(writtenMoney(minor, currency, style));

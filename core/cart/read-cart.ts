import { percent } from "../money/decimal.ts";
import { type LinearAmount, rounded } from "../money/linear-amount.ts";
import type { Rational } from "../money/rational.ts";
import { phrase } from "../phrases/phrase.ts";
import { milligrams, volumeOf } from "../quantities/quantity.ts";
import type { Cart, CartLine, OrderDiscount } from "../request/request.ts";
import type { Problem } from "../schema/problem.ts";
import { type OrderDiscounts, orderDiscounts } from "./order-discount.ts";

/** A cart line ready for counting. `shelf` is price × quantity before any discount, in minor units. */
export type ReadLine = {
  readonly sku: string;
  readonly quantity: number;
  readonly unitPrice: number;
  readonly shelf: number;
  readonly discount: number;
  /** Null: the standard rate of the zone. */
  readonly taxRate: Rational | null;
  readonly categories: readonly string[];
  readonly tags: readonly string[];
  /** Of one piece, exact milligrams and cubic millimetres; null: not known. Nothing to ship weighs nothing. */
  readonly weight: LinearAmount | null;
  readonly volume: LinearAmount | null;
  readonly parcelClass: string | null;
  readonly used: boolean;
  readonly delivery: CartLine["delivery"] | null;
};

export type ReadCart = {
  readonly lines: readonly ReadLine[];
  /** Null when the order has no discount of its own. */
  readonly discounts: OrderDiscounts | null;
  /** Those of them that codes gave, and the others, each as if they were all there is. */
  readonly ofCodes: OrderDiscounts | null;
  readonly ofOthers: OrderDiscounts | null;
};

/** A cart without discounts on the order. */
export const plainCart = (lines: readonly ReadLine[]): ReadCart => ({
  lines,
  discounts: null,
  ofCodes: null,
  ofOthers: null,
});

export const isShipped = ({ delivery }: Pick<ReadLine, "delivery">): boolean => delivery?.kind !== "nothing-to-ship";
/** Whether the zone's charges are for this line: it is shipped, and has no charge of its own. */
export const isOrdinary = ({ delivery }: Pick<ReadLine, "delivery">): boolean => !delivery;

const NOTHING: readonly string[] = [];

/** Ordinary goods of a market at the zone's standard tax: what a shopper could add to reach a goal. */
export const FILLER_SKU = "filler";

/** What filler is counted in: its worth in minor units, pieces worth nothing, or milligrams worth nothing. */
export type FillerKind = "value" | "items" | "weight";

/** What filler looks like besides: goods of some kind where an offer counts only those. */
export type FillerLike = {
  readonly sku?: string;
  readonly categories: readonly string[];
  readonly tags: readonly string[];
  readonly used: boolean;
  /** Of one piece, where pieces are counted. */
  readonly unitPrice: number;
};
const ORDINARY: FillerLike = { categories: NOTHING, tags: NOTHING, used: false, unitPrice: 0 };

/** @example filler("value", 640) // a cart line worth 640 minor units */
export function filler(kind: FillerKind, amount: number, like: FillerLike = ORDINARY): CartLine {
  return {
    sku: like.sku ?? FILLER_SKU,
    ...(like.categories.length > 0 ? { categories: [...like.categories] } : {}),
    ...(like.tags.length > 0 ? { tags: [...like.tags] } : {}),
    ...(like.used ? { used: true } : {}),
    quantity: kind === "items" ? amount : 1,
    unitPrice: kind === "value" ? amount : kind === "items" ? like.unitPrice : 0,
    weight: { value: kind === "weight" ? String(amount) : "0", unit: "mg" },
    size: { length: "0", width: "0", height: "0", unit: "mm" },
  };
}

/** {@link filler}, ready for counting. */
export const readFiller = (kind: FillerKind, amount: number, like: FillerLike = ORDINARY): ReadLine => ({
  sku: like.sku ?? FILLER_SKU,
  quantity: kind === "items" ? amount : 1,
  unitPrice: kind === "value" ? amount : kind === "items" ? like.unitPrice : 0,
  shelf: kind === "value" ? amount : kind === "items" ? like.unitPrice * amount : 0,
  discount: 0,
  taxRate: null,
  categories: like.categories,
  tags: like.tags,
  weight: kind === "weight" ? amount : 0,
  volume: 0,
  parcelClass: null,
  used: like.used,
  delivery: null,
});

/** Larger carts could not be summed exactly in a double: minor units, milligrams, cubic millimetres. */
const LARGEST_CART = 2 ** 50;

export function readCart(cart: Cart, path: string): ReadCart | { problems: Problem[] } {
  const problems = cartProblems(cart, path);
  if (problems.length > 0) return { problems };
  const lines = cart.lines.map(readLine);
  const heavy = sizeProblems(lines, path);
  if (heavy.length > 0) return { problems: heavy };
  const { discounts } = cart;
  if (!discounts?.length) return plainCart(lines);
  const inClosedForm = (some: readonly OrderDiscount[]) => (some.length > 0 ? orderDiscounts(some) : null);
  return {
    lines,
    discounts: orderDiscounts(discounts),
    ofCodes: inClosedForm(discounts.filter(({ code }) => code !== undefined)),
    ofOthers: inClosedForm(discounts.filter(({ code }) => code === undefined)),
  };
}

export function readLine(line: CartLine): ReadLine {
  const { delivery, weight, size } = line;
  const shipped = delivery?.kind !== "nothing-to-ship";
  return {
    sku: line.sku,
    quantity: line.quantity,
    unitPrice: line.unitPrice,
    shelf: line.unitPrice * line.quantity,
    discount: line.discount ?? 0,
    taxRate: line.taxRate === undefined ? null : (percent(line.taxRate) ?? null),
    categories: line.categories ?? NOTHING,
    tags: line.tags ?? NOTHING,
    weight: shipped ? (weight ? milligrams(weight) : null) : 0,
    volume: shipped ? (size ? volumeOf(size) : null) : 0,
    parcelClass: line.parcelClass ?? null,
    used: line.used ?? false,
    delivery: delivery ?? null,
  };
}

/** Lines that weigh or take up more than can be counted together. */
function sizeProblems(lines: readonly ReadLine[], path: string): Problem[] {
  const problems: Problem[] = [];
  let [weight, volume] = [0, 0];
  const tooMuch = (i: number, at: string) =>
    problems.push({ path: `${path}/lines/${i}/${at}`, message: phrase("is more than can be counted") });
  for (const [i, line] of lines.entries()) {
    weight += wholeOf(line.weight) * line.quantity;
    if (weight > LARGEST_CART) tooMuch(i, "weight");
    volume += wholeOf(line.volume) * line.quantity;
    if (volume > LARGEST_CART) tooMuch(i, "size");
  }
  return problems;
}

const wholeOf = (figure: LinearAmount | null): number => (figure === null ? 0 : rounded(figure));

function cartProblems(cart: Cart, path: string): Problem[] {
  const problems: Problem[] = [];
  let total = 0;
  cart.lines.forEach((line, i) => {
    const shelf = line.unitPrice * line.quantity;
    total += shelf;
    if ((line.discount ?? 0) > shelf) {
      problems.push({
        path: `${path}/lines/${i}/discount`,
        message: phrase("takes off more than the line's {shelf}", { shelf }),
      });
    }
  });
  if (total > LARGEST_CART)
    problems.push({ path: `${path}/lines`, message: phrase("the cart is worth more than can be counted") });
  cart.discounts?.forEach((discount, i) => {
    if ("percent" in discount && Number(discount.percent) > 100) {
      problems.push({ path: `${path}/discounts/${i}/percent`, message: phrase("takes off more than 100 percent") });
    }
  });
  return problems;
}

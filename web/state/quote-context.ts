import { useQuery } from "@tanstack/react-query";
import { createContext, use, useCallback, useDeferredValue, useMemo, useState } from "react";
import { cartAt } from "../../core/climb/cart-at.ts";
import { asWritten } from "../../core/phrases/phrase.ts";
import type { Calendars } from "../../core/places/location.ts";
import { resolvePlace } from "../../core/places/resolve.ts";
import type { Quote, QuoteResult } from "../../core/quote/answer/quote.ts";
import { quote } from "../../core/quote/quote.ts";
import type { QuoteRequest } from "../../core/request/request.ts";
import { type CompiledPlan, compile } from "../../core/tariff/compile.ts";
import type { CatalogueProduct } from "../../server/catalogue/catalogue.ts";
import type { SampleCart } from "../../server/catalogue/product.ts";
import { errorWords } from "./api.ts";
import { catalogueOf } from "./server-queries.ts";
import {
  destinationOf,
  isShownCart,
  requestedCart,
  requestFor,
  type ShownCart,
  type Standpoint,
} from "./standpoint.ts";
import { type LookedFrom, marketOf } from "./standpoint-context.ts";
import { useCarrierAnswers } from "./use-carrier-answers.ts";
import { useDraft } from "./use-draft.ts";
import { useStored } from "./use-stored.ts";

/** The cart that is looked at, and what a shop would answer. */
export type Looked = {
  /** The moment at which the page was opened: what is asked, is asked as of then. */
  readonly at: string;
  readonly cart: ShownCart;
  readonly setCart: (cart: ShownCart) => void;
  readonly carts: readonly SampleCart[];
  readonly products: ReadonlyMap<string, CatalogueProduct>;
  /** Why there are no products, when reading them failed. */
  readonly catalogueProblem: string | null;
  /** Shelf value along the climb that the cart is moved to; null: the cart as it is. */
  readonly cursor: number | null;
  readonly setCursor: (x: number | null) => void;
  /** A made-up cart and standpoint that shows a finding or an edge, or an order of the past, instead of the shopper's own. */
  readonly witness: QuoteRequest | null;
  readonly setWitness: (witness: QuoteRequest | null) => void;
  /** Offers switched off for the look only. */
  readonly off: ReadonlySet<string>;
  readonly setOff: (off: ReadonlySet<string>) => void;
  /** The plan with them switched off; null before there is a sound one. */
  readonly compiled: CompiledPlan | null;
  /** Whether a live carrier is being asked. */
  readonly asking: boolean;
  /** The cart as it is at the standpoint, and at any other. */
  readonly sample: QuoteRequest;
  readonly requestAt: (standpoint: Standpoint) => QuoteRequest;
  /** What is looked at: the sample, moved along the climb, or a witness. */
  readonly request: QuoteRequest;
  readonly result: QuoteResult | null;
  /** The answer, where there is one. */
  readonly quote: Quote | null;
};

export const CART_KEY = "summant.cart";

export const QuoteContext = createContext<Looked | null>(null);

/** What is looked at and what a shop would answer. @throws Error outside of the frame that gives it */
export function useLooked(): Looked {
  const looked = use(QuoteContext);
  if (!looked) throw new Error("nothing here says what is looked at");
  return looked;
}

const NO_CART: ShownCart = { sample: null, lines: [] };
const NO_CARTS: readonly SampleCart[] = [];
const NO_LOCATIONS: CompiledPlan["locations"] = new Map();

/** The kept cart, seen from the standpoint and answered by the draft. */
export function useQuoteOfCart({ standpoint }: LookedFrom): Looked {
  const { draft, compiled: newest } = useDraft();
  // What is typed is drawn first, and what a shop would answer to it then.
  const whole = useDeferredValue(newest);
  const [at] = useState(() => new Date().toISOString());
  const shown = useCart();
  const { cart, products } = shown;
  const [cursor, setCursor] = useState<number | null>(null);
  const [witness, setWitness] = useState<QuoteRequest | null>(null);
  const [off, setOff] = useState<ReadonlySet<string>>(new Set());

  const requestAt = useRequestAt(whole, shown, at);
  const plainRequest = useMemo(() => requestAt(standpoint), [requestAt, standpoint]);
  const compiled = useMemo(() => (whole ? withoutOffers(whole, draft?.calendars, off) : null), [whole, draft, off]);
  const { request: sample, asking } = useCarrierAnswers(compiled, plainRequest, standpoint.moods);
  const request = useMemo(
    () => witness ?? (cursor === null ? sample : { ...sample, cart: cartAt(sample.cart, cursor) }),
    [sample, cursor, witness],
  );
  const result = useMemo(() => compiled && quoteOrWhy(compiled, request), [compiled, request]);
  const { carts, catalogueProblem, keepCart } = shown;
  const setCart = useCallback(
    (next: ShownCart) => {
      keepCart(next);
      setCursor(null);
      setWitness(null);
    },
    [keepCart],
  );
  const answer = result && "quote" in result ? result.quote : null;
  return {
    ...{ at, cart, setCart, carts, products, catalogueProblem, cursor, setCursor, witness, setWitness, off, setOff },
    ...{ compiled, asking, sample, requestAt, request, result, quote: answer },
  };
}

type KeptCart = Pick<Looked, "cart" | "carts" | "products" | "catalogueProblem"> & {
  readonly keepCart: (cart: ShownCart) => void;
};

/** The cart kept in this browser, or the store's first sample, with the products in it. */
function useCart(): KeptCart {
  const [stored, keepCart] = useStored<ShownCart | null>(
    CART_KEY,
    null,
    (value) => value === null || isShownCart(value),
  );
  const { compiled } = useDraft();
  // Gifts are shown by their names.
  const gifts = useMemo(() => giftsOf(compiled), [compiled]);
  const skus = [...new Set([...(stored?.lines.map(({ sku }) => sku) ?? []), ...gifts])].sort();
  const { data, error } = useQuery(catalogueOf(skus));
  const carts = data?.carts ?? NO_CARTS;
  const [first] = carts;
  const cart = useMemo(() => stored ?? (first ? shownCart(first) : NO_CART), [stored, first]);
  const products = useMemo(() => new Map((data?.products ?? []).map((product) => [product.sku, product])), [data]);
  return { cart, carts, products, catalogueProblem: error ? errorWords(error) : null, keepCart };
}

/** A kept cart as it is looked at. */
export const shownCart = ({ id, name: _, ...cart }: SampleCart): ShownCart => ({ sample: id, ...cart });

/** The products that offers of a plan give. */
const giftsOf = (compiled: CompiledPlan | null): string[] =>
  compiled?.plan.offers.flatMap(({ steps }) =>
    steps.flatMap(({ reward }) => (reward.kind === "gift" ? [reward.sku] : [])),
  ) ?? [];

/** What a shop would send for the cart from any standpoint. */
function useRequestAt(
  compiled: CompiledPlan | null,
  { cart, products }: Pick<Looked, "cart" | "products">,
  at: string,
): Looked["requestAt"] {
  const { plan } = useDraft();
  return useCallback(
    (from: Standpoint) => {
      const destination = destinationOf(from, compiled?.locations ?? NO_LOCATIONS);
      const there = compiled ? resolvePlace(compiled.places, destination).zones : [];
      const asked = requestedCart(cart, products, from.currency);
      return requestFor(from, destination, marketOf(plan, there[0]), asked, at);
    },
    [compiled, plan, cart, products, at],
  );
}

/** The answer, or why there is none, also where the engine itself fails: the rest of the page goes on. */
function quoteOrWhy(compiled: CompiledPlan, request: QuoteRequest): QuoteResult {
  try {
    return quote(compiled, request);
  } catch (error) {
    return { problems: [{ path: "", message: asWritten(error instanceof Error ? error.message : String(error)) }] };
  }
}

/** The plan as it would be with some offers switched off, for the look only. */
function withoutOffers(
  compiled: CompiledPlan,
  calendars: Calendars | undefined,
  off: ReadonlySet<string>,
): CompiledPlan {
  if (off.size === 0) return compiled;
  const { plan } = compiled;
  const result = compile(
    { ...plan, offers: plan.offers.map((offer) => (off.has(offer.id) ? { ...offer, on: false } : offer)) },
    calendars,
  );
  return "compiled" in result ? result.compiled : compiled;
}

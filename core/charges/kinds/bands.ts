import { Edge, leastCount } from "../../measures/edge.ts";
import { Mark, MeasureSpec, markAt, markProblems, measureWords } from "../../measures/measure-spec.ts";
import { Amount, type AmountContext, amountFor, amountProblems } from "../../money/amount.ts";
import { min as leastOf, plus, timesBy } from "../../money/linear-amount.ts";
import { whole } from "../../money/rational.ts";
import { joined, type Phrase, type PhraseValue, phrase } from "../../phrases/phrase.ts";
import { closed } from "../../schema/atoms.ts";
import type { Problem } from "../../schema/problem.ts";
import { type Static, Type } from "../../schema/type.ts";
import type { Situation } from "../../situation/situation.ts";
import {
  type ChargeContext,
  type Charged,
  type ChargeReferences,
  type ChargeSpeech,
  type CompiledCharge,
  defineCharge,
  plainCharge,
} from "../definition.ts";

/** A price, nothing, no offer at all, or a price and so much more for each further unit begun past the band's edge. */
const BandPrice = Type.Union(
  [
    Amount,
    Type.Literal("free"),
    Type.Literal("not-offered"),
    Type.Object({ fixed: Amount, each: Mark, more: Amount }, { ...closed, title: "FurtherUnits" }),
  ],
  { title: "BandPrice" },
);
type BandPrice = Static<typeof BandPrice>;

/**
 * A price by what is counted. Only the edges are stored, so bands can neither overlap nor leave a gap; the last is open.
 *
 * @example up to 30 costs 4, from 30 costs 7, from 75 is free:
 * { kind: "bands", by: { kind: "value", basis }, first: { byCurrency: { EUR: "4" } }, edges: [
 *   { edge: "from", at: { byCurrency: { EUR: "30" } }, price: { byCurrency: { EUR: "7" } } },
 *   { edge: "from", at: { byCurrency: { EUR: "75" } }, price: "free" } ] }
 */
const BandedCharge = Type.Object(
  {
    kind: Type.Literal("bands"),
    by: MeasureSpec,
    first: BandPrice,
    edges: Type.Array(Type.Object({ edge: Edge, at: Mark, price: BandPrice }, closed), { maxItems: 200 }),
  },
  { ...closed, title: "BandedCharge" },
);
export type BandedCharge = Static<typeof BandedCharge>;

/** `start` is the edge itself: further units are counted from it. */
type Band = {
  readonly least: number;
  readonly price: (situation: Situation, start: number) => Charged;
  readonly start: number;
};

function compileBands(charge: BandedCharge, context: ChargeContext): CompiledCharge {
  const measure = context.measureNumber(charge.by, "ordinary");
  const unknown = charge.by.kind === "distance" ? "place-unknown" : "weight-unknown";
  const edges = charge.edges.flatMap(({ at, edge, price }): Band[] => {
    const value = markAt(at, context);
    if (value === undefined) return [];
    return [{ least: leastCount(value, edge), start: value, price: compilePrice(price, measure, context) }];
  });
  // Without every edge nobody can say which band a cart falls in.
  if (edges.length < charge.edges.length) return plainCharge("bands", () => "no-amount");
  edges.sort((a, b) => a.least - b.least);
  const bands = [{ least: 0, start: 0, price: compilePrice(charge.first, measure, context) }, ...edges];
  const chosenFor = (situation: Situation): Band | undefined => {
    let chosen = bands[0];
    // The edges around the count settle the band; asking both tells how long that stands.
    for (let low = 1, high = bands.length; low < high; ) {
      const middle = (low + high) >> 1;
      const band = bands[middle];
      if (band && situation.reaches(measure, band.least)) {
        chosen = band;
        low = middle + 1;
      } else high = middle;
    }
    return chosen;
  };
  const price = (situation: Situation): Charged => {
    if (situation.count(measure) === null) {
      if (!situation.unknownAs) return unknown;
      const possible = bands.map((band) => band.price(situation, band.start)).filter((one) => typeof one !== "string");
      return possible.length === 0 ? unknown : possible.reduce((a, b) => leastOf(a, b, situation.horizon));
    }
    const band = chosenFor(situation);
    return band ? band.price(situation, band.start) : "not-offered";
  };
  return plainCharge("bands", price, (situation) => {
    const counted = situation.count(measure);
    const band = counted === null ? undefined : chosenFor(situation);
    return { counted, ...(band ? { chosen: bands.indexOf(band) } : {}) };
  });
}

function compilePrice(price: BandPrice, measure: number, context: AmountContext): Band["price"] {
  if (price === "free") return () => 0;
  if (price === "not-offered") return () => price;
  if (!("fixed" in price)) {
    const amount: Charged = amountFor(price, context) ?? "no-amount";
    return () => amount;
  }
  const [fixed, more, unit] = [
    amountFor(price.fixed, context),
    amountFor(price.more, context),
    markAt(price.each, context),
  ];
  if (fixed === undefined || more === undefined || !unit) return () => "no-amount";
  const each = timesBy(whole(more));
  return (situation, start) => plus(fixed, each(situation.begun(measure, start, unit)));
}

function bandsProblems(charge: BandedCharge, path: string, references: ChargeReferences): Problem[] {
  const prices = [
    { price: charge.first, path: `${path}/first` },
    ...charge.edges.map(({ price }, i) => ({ price, path: `${path}/edges/${i}/price` })),
  ];
  return [
    ...measureProblems(charge.by, `${path}/by`, references),
    ...prices.flatMap(({ price, path: at }) => {
      if (typeof price === "string") return [];
      if (!("fixed" in price)) return amountProblems(price, at, references);
      return [
        ...amountProblems(price.fixed, `${at}/fixed`, references),
        ...amountProblems(price.more, `${at}/more`, references),
        ...markProblems(price.each, charge.by, `${at}/each`, references),
        ...references.contexts
          .filter((context) => markAt(price.each, context) === 0)
          .slice(0, 1)
          .map(() => ({ path: `${at}/each`, message: phrase("a unit cannot be nothing") })),
      ];
    }),
    ...charge.edges.flatMap(({ at }, i) => markProblems(at, charge.by, `${path}/edges/${i}/at`, references)),
    ...references.contexts.flatMap((context) => sameStartProblems(charge, path, context)),
  ];
}

/** A measure can only be taken from a location that exists. */
function measureProblems(spec: MeasureSpec, path: string, { locations }: ChargeReferences): Problem[] {
  return spec.kind === "distance" && !locations.has(spec.from)
    ? [{ path: `${path}/from`, message: phrase('there is no location "{from}"', { from: spec.from }) }]
    : [];
}

/** No two edges start a band at the same count, in any market and currency; `from` and `above` one value differ. */
function sameStartProblems(charge: BandedCharge, path: string, context: AmountContext): Problem[] {
  const seen = new Set<number>();
  return charge.edges.flatMap(({ at, edge }, i) => {
    const value = markAt(at, context);
    if (value === undefined) return [];
    const start = leastCount(value, edge);
    if (seen.has(start)) {
      return [
        {
          path: `${path}/edges/${i}/at`,
          message: phrase("another edge starts at the same {currency} value", { currency: context.currency }),
        },
      ];
    }
    seen.add(start);
    return [];
  });
}

function bandWords({ by, first, edges }: BandedCharge, speech: ChargeSpeech): Phrase {
  const figure = (count: number | undefined) =>
    count === undefined ? phrase("an edge without an amount") : speech.measured(by.kind, count, "short");
  const [next] = edges;
  const edge = next ? figure(markAt(next.at, speech)) : "";
  const price = bandPriceWords(first, speech, figure);
  const start =
    next?.edge === "from"
      ? phrase("{price} below {edge}", { price, edge })
      : next
        ? phrase("{price} up to {edge}", { price, edge })
        : price;
  const rest = edges.map((band) => {
    const values = { price: bandPriceWords(band.price, speech, figure), edge: figure(markAt(band.at, speech)) };
    return band.edge === "from" ? phrase("{price} from {edge}", values) : phrase("{price} above {edge}", values);
  });
  return phrase("{bands}, by {measure}", { bands: joined([start, ...rest], ", "), measure: measureWords(by, speech) });
}

function bandPriceWords(
  band: BandPrice,
  speech: ChargeSpeech,
  figure: (count: number | undefined) => PhraseValue,
): PhraseValue {
  if (band === "free") return phrase("free");
  if (band === "not-offered") return phrase("not offered");
  if (!("fixed" in band)) return speech.money(band);
  return phrase("{fixed} and {more} for each further {figure}", {
    fixed: speech.money(band.fixed),
    more: speech.money(band.more),
    figure: figure(markAt(band.each, speech)),
  });
}

export const banded = defineCharge({
  kind: "bands",
  schema: BandedCharge,
  example: {
    kind: "bands",
    by: { kind: "value", basis: { lineDiscounts: "in", orderDiscounts: "in", tax: "with" } },
    first: { byCurrency: { EUR: "4.00" } },
    edges: [
      { edge: "from", at: { byCurrency: { EUR: "30.00" } }, price: { byCurrency: { EUR: "7.00" } } },
      { edge: "from", at: { byCurrency: { EUR: "75.00" } }, price: "free" },
    ],
  },
  compile: compileBands,
  problems: bandsProblems,
  words: bandWords,
  why: ({ by, edges }, { counted, chosen }, { measured, locationName }) => {
    const found = counted === null || counted === undefined ? phrase("not known") : measured(by.kind, counted);
    const measure = measureWords(by, locationName ? { locationName } : {});
    return chosen === undefined
      ? phrase("by {measure}: {found}", { measure, found })
      : phrase("by {measure}: {found}, in band {number} of {count}", {
          ...{ measure, found },
          number: chosen + 1,
          count: edges.length + 1,
        });
  },
});

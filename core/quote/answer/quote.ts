import type { NoPrice } from "../../charges/no-price.ts";
import type { Promised } from "../../delivery/promise.ts";
import type { DeliveryWindow } from "../../delivery/windows.ts";
import type { LadderMeasure } from "../../measures/measure-spec.ts";
import type { UnsaidText } from "../../messages/format-message.ts";
import type { TextRun } from "../../messages/rich-text.ts";
import type { StepState, Surface } from "../../messages/states.ts";
import type { AddressNote } from "../../places/place.ts";
import type { Problem } from "../../schema/problem.ts";
import type { Totals } from "./totals.ts";
import type { Why } from "./why.ts";

/** What an offer gives on the order, for the shop to apply. Amounts are minor units and add up to what comes off. */
export type Grant =
  | { offer: string; step: string; kind: "gift"; sku: string; quantity: number }
  | { offer: string; step: string; kind: "order-percent-off" | "order-money-off"; amount: number };

export type QuotedOption = {
  id: string;
  name: string;
  note?: string | undefined;
  /** The stretches of the note, where some are bold or lead somewhere. */
  noteRuns?: TextRun[] | undefined;
  /** Read beside the note; `source` is a data URL of a raster picture, `alt` empty for an ornament. */
  picture?: { source: string; width: number; height: number; alt: string } | undefined;
  /** What the order system knows it by. */
  code?: string | undefined;
  available: boolean;
  /** Whether the shopper sees it: what cannot be had is left out, unless the option says it is shown. */
  shown: boolean;
  way: "shipped" | "local" | "collected";
  /** Where it is collected, or brought from. */
  location?: string | undefined;
  /** What shoppers who collect are told, where the location has an address. */
  pickup?: { address: string; instructions?: string } | undefined;
  /** Null exactly when the option is not available. Minor units, as the market writes prices. */
  price: number | null;
  /** Before offers. */
  fullPrice: number | null;
  /** Goods after what offers take off the order, delivery and tax: what the shopper pays in all with this option. */
  total: number | null;
  tax: number | null;
  reason?: NoPrice | undefined;
  promise?: Promised | undefined;
  /** The windows to pick from, the earliest first. */
  windows?: DeliveryWindow[] | undefined;
  /** The window that was picked, and whether it can still be had. */
  picked?: { slot: string; day: string; open: boolean } | undefined;
  asks?: ("phone" | "entry-code" | "delivery-window")[] | undefined;
  offers: string[];
  /** What offers give on the order besides, for the shop to apply. */
  grants: Grant[];
  chosen: boolean;
  /** Offered wherever it may still go; always true when the place is known. */
  certain: boolean;
  /** `price` is the lowest of several, which depend on where it goes. */
  from: boolean;
};

/** What an option is written from has every key, also those that may be left out: none is forgotten where options are made. */
export type EveryKey = Readonly<Record<keyof QuotedOption, unknown>>;

export type Progress = {
  offer: string;
  step: string;
  /** What goal, counted and remaining are in: minor units, pieces, or milligrams. */
  measure: LadderMeasure["kind"];
  goal: number;
  /** Null while a weight is not known. */
  counted: number | null;
  remaining: number | null;
  /** What texts ask for: weights rounded up to what can be said; null too where no such amount would do. */
  remainingSaid: number | null;
  /** Whole percent of the goal; 100 only once it is reached. */
  percent: number;
  reached: boolean;
  state: StepState;
};

export type QuotedMessage = { surface: Surface; offer: string; step: string; state: StepState; text: string };

/** Something told without a goal. */
export type QuotedNotice = { surface: Surface; notice: string; text: string; link?: { to: string; text: string } };

/** The engine's answer for one cart at one standpoint. `market` and `zone` are null when nobody serves the destination. */
export type Quote = {
  market: string | null;
  zone: string | null;
  /** While the place is only partly known: the zones it may still turn out to be in. */
  zonesPossible?: string[];
  /** While the place is only partly known: whether nobody may turn out to serve it. */
  orNowhere?: boolean;
  /** What the address says that cannot be; the answer goes by the rest of it. */
  addressNote?: AddressNote;
  currency: string;
  totals: Totals;
  options: QuotedOption[];
  progress: Progress[];
  messages: QuotedMessage[];
  /** In order, for each surface; left out while there are none. */
  notices?: QuotedNotice[];
  /** One account for each zone that may serve. */
  why?: Why[];
};

export type QuoteResult =
  /** `unsaid`: texts that could not be put into words, and were left out; for whoever runs the shop to be told. */
  { quote: Quote; unsaid?: UnsaidText[] } | { problems: Problem[] };

/** `text`: names, notes and messages are put into words. `why`: every price and offer comes with its reasons. */
export type QuoteForm = { readonly text?: boolean; readonly why?: boolean };

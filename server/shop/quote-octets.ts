import type { Promised } from "../../core/delivery/promise.ts";
import type { DeliveryWindow } from "../../core/delivery/windows.ts";
import { Kept, keptBy } from "../../core/phrases/kept.ts";
import type { Progress, Quote, QuotedMessage, QuotedOption } from "../../core/quote/answer/quote.ts";
import type { Totals } from "../../core/quote/answer/totals.ts";

/**
 * A quote as JSON in UTF-8, with a character of the text for each octet: to be written as latin1, its length is the content's.
 * What JSON.stringify says, told by pieces: ids, names and texts come again with every quote, and are escaped and encoded once.
 *
 * @example response.end(octetsOf(quote), "latin1")
 */
export function octetsOf(quote: Quote): string {
  const { market, zone, zonesPossible, orNowhere, addressNote, currency, totals, notices, why } = quote;
  return `{"market":${name(market)},"zone":${name(zone)}${
    zonesPossible ? `,"zonesPossible":${list(zonesPossible, text)}` : ""
  }${orNowhere === undefined ? "" : `,"orNowhere":${orNowhere}`}${
    addressNote === undefined ? "" : `,"addressNote":${json(addressNote)}`
  },"currency":${text(currency)},"totals":${totalled(totals)},"options":${list(quote.options, option)},"progress":${list(
    quote.progress,
    progress,
  )},"messages":${messages(quote.messages)}${notices ? `,"notices":${json(notices)}` : ""}${
    why ? `,"why":${json(why)}` : ""
  }}`;
}

type Way = QuotedOption["way"];
const byWay = (said: string): Record<Way, string> => ({
  shipped: `${said},"way":"shipped"`,
  local: `${said},"way":"local"`,
  collected: `${said},"way":"collected"`,
});
const AVAILABLE = byWay(',"available":true,"shown":true');
const SHOWN = byWay(',"available":false,"shown":true');
const HIDDEN = byWay(',"available":false,"shown":false');
const NO_PRICE = ',"price":null,"fullPrice":null,"total":null,"tax":null';
const NO_OFFERS = ',"offers":[],"grants":[]';
const NOT_CHOSEN = ',"chosen":false,"certain":true,"from":false';

const option = (one: QuotedOption): string =>
  `{"id":${text(one.id)},"name":${text(one.name)}${(one.available ? AVAILABLE : one.shown ? SHOWN : HIDDEN)[one.way]}${
    one.available ? priced(one) : NO_PRICE
  }${one.offers.length + one.grants.length > 0 ? given(one) : NO_OFFERS}${
    one.chosen || one.from || !one.certain ? chosen(one) : NOT_CHOSEN
  }${said(one)}${one.reason ? `,"reason":${text(one.reason)}` : ""}${
    one.windows ? `,"windows":${list(one.windows, window)}` : ""
  }${one.picked ? `,"picked":${json(one.picked)}` : ""}}`;

const priced = ({ price, fullPrice, total, tax }: QuotedOption): string =>
  `,"price":${price},"fullPrice":${fullPrice},"total":${total},"tax":${tax}`;

const given = ({ offers, grants }: QuotedOption): string =>
  `,"offers":${list(offers, text)},"grants":${grants.length > 0 ? json(grants) : "[]"}`;

const chosen = (one: QuotedOption): string => `,"chosen":${one.chosen},"certain":${one.certain},"from":${one.from}`;

/** What the plan says of an option whatever is in the cart; most say little. */
const said = ({ note, noteRuns, picture, code, location, pickup, promise, asks }: QuotedOption): string =>
  (note === undefined ? "" : `,"note":${text(note)}`) +
  (noteRuns ? `,"noteRuns":${json(noteRuns)}` : "") +
  (picture ? `,"picture":${json(picture)}` : "") +
  (code === undefined ? "" : `,"code":${text(code)}`) +
  (location === undefined ? "" : `,"location":${text(location)}`) +
  (pickup ? `,"pickup":${collected(pickup)}` : "") +
  (promise ? `,"promise":${promised(promise)}` : "") +
  (asks ? `,"asks":${asked(asks)}` : "");

const asked = keptBy((asks: NonNullable<QuotedOption["asks"]>) => json(asks));

const collected = ({ address, instructions }: NonNullable<QuotedOption["pickup"]>): string =>
  `{"address":${text(address)}${instructions === undefined ? "" : `,"instructions":${text(instructions)}`}}`;

// Quotes of one day share it.
const promised = keptBy(
  ({ earliest, latest, readyAt }: Promised): string =>
    `{"earliest":${text(earliest)},"latest":${text(latest)}${readyAt === undefined ? "" : `,"readyAt":${text(readyAt)}`}}`,
);

// The same windows are open to one cart after the other.
const window = keptBy(
  ({ slot, day, from, until, left }: DeliveryWindow): string =>
    `{"slot":${text(slot)},"day":${text(day)},"from":${text(from)},"until":${text(until)}${left === undefined ? "" : `,"left":${left}`}}`,
);

const totalled = ({ shelf, lineDiscounts, orderDiscounts, goods, lines }: Totals): string =>
  `{"shelf":${shelf},"lineDiscounts":${lineDiscounts},"orderDiscounts":${orderDiscounts},"goods":${goods},"lines":[${lines.join()}]}`;

const progress = (one: Progress): string =>
  `{"offer":${text(one.offer)},"step":${text(one.step)},"measure":${text(one.measure)},"goal":${one.goal},"counted":${
    one.counted
  },"percent":${one.percent},"reached":${one.reached},"state":${text(one.state)},"remaining":${one.remaining},"remainingSaid":${
    one.remainingSaid
  }}`;

/** Most steps say the same on every surface. */
function messages(all: readonly QuotedMessage[]): string {
  let before: QuotedMessage | undefined;
  let rest = "";
  return list(all, (one) => {
    const isSame =
      before?.text === one.text && before.state === one.state && before.step === one.step && before.offer === one.offer;
    if (!isSame)
      rest = `,"offer":${text(one.offer)},"step":${text(one.step)},"state":${text(one.state)},"text":${text(one.text)}}`;
    before = one;
    return `{"surface":${text(one.surface)}${rest}`;
  });
}

function list<T>(all: readonly T[], one: (item: T) => string): string {
  let listed = "[";
  for (let i = 0; i < all.length; i += 1) {
    const item = all[i];
    if (item !== undefined) listed += i === 0 ? one(item) : `,${one(item)}`;
  }
  return `${listed}]`;
}

const name = (said: string | null): string => (said === null ? "null" : text(said));

/** Texts up to so many characters are kept, so many of them. */
const LONGEST = 300;
const MOST = 5000;
const texts = new Kept<string>(MOST);
const text = (said: string): string => (said.length > LONGEST ? json(said) : texts.of(said, () => json(said)));

function json(value: unknown): string {
  const written = JSON.stringify(value);
  return /[^ -~]/.test(written) ? Buffer.from(written).toString("latin1") : written;
}

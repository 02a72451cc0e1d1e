import equal from "fast-deep-equal";
import type { EveryKey, Progress, Quote, QuotedOption } from "../answer/quote.ts";

/**
 * What is true of every one of several quotes of the same cart: how a place that is only partly known is answered.
 * Prices that differ become "from" the lowest; an option that is not in all of them is not certain; a step that stands
 * differently promises nothing and is `place-unknown`.
 *
 * @param orNowhere the place may also be one that nobody serves: then nothing is certain
 * @param waits steps of which nobody can say what more goods would better
 */
export function mergeQuotes(
  quotes: readonly [Quote, ...Quote[]],
  orNowhere: boolean,
  waits: (offer: string, step: string) => boolean = () => false,
): Quote {
  const [first] = quotes;
  const same = <T>(read: (quote: Quote) => T) => quotes.every((quote) => read(quote) === read(first));
  // Where a charge cannot be told, nobody can say what a step would better.
  const open = quotes.some(({ options }) => options.some(isOpen));
  const optionIds = unique(quotes.flatMap(({ options }) => options.map(({ id }) => id)));
  const progress = distinctSteps(quotes).map(({ offer, step }) =>
    mergedStep(
      quotes.map((quote) => quote.progress.find((one) => one.offer === offer && one.step === step)),
      orNowhere || open || waits(offer, step),
    ),
  );
  const everywhere = (message: Quote["messages"][number]) =>
    quotes.every(({ messages }) => messages.some((other) => equal(other, message)));
  // A notice promises nothing: whoever is served at all reads it.
  const notices = (first.notices ?? []).filter((notice) =>
    quotes.every((quote) => (quote.notices ?? []).some((other) => equal(other, notice))),
  );
  const { notices: _, ...rest } = first;
  return {
    ...rest,
    market: !orNowhere && same(({ market }) => market) ? first.market : null,
    zone: null,
    zonesPossible: unique(quotes.flatMap(({ zone }) => zone ?? [])),
    orNowhere,
    options: optionIds.map((id) =>
      mergedOption(
        quotes.map(({ options }) => options.find((option) => option.id === id)),
        orNowhere,
        open,
      ),
    ),
    progress,
    ...(notices.length > 0 ? { notices } : {}),
    messages: orNowhere || open ? [] : first.messages.filter((one) => !waits(one.offer, one.step) && everywhere(one)),
  };
}

/** Every step that some quote has, once. */
function distinctSteps(quotes: readonly Quote[]): Progress[] {
  const found: Progress[] = [];
  for (const entry of quotes.flatMap(({ progress }) => progress))
    if (!found.some(({ offer, step }) => offer === entry.offer && step === entry.step)) found.push(entry);
  return found;
}

const isOpen = ({ reason }: QuotedOption) => reason === "condition-unknown" || reason === "place-unknown";

const unique = (list: readonly string[]) => [...new Set(list)];

function mergedOption(
  found: readonly (QuotedOption | undefined)[],
  orNowhere: boolean,
  anyOpen: boolean,
): QuotedOption {
  const present = found.filter((option) => option !== undefined);
  const priced = present.filter(({ available }) => available);
  const cheapest = priced.reduce<QuotedOption | undefined>(
    (best, option) => (best && (best.price ?? 0) <= (option.price ?? 0) ? best : option),
    undefined,
  );
  const [any] = present;
  const shown = cheapest ?? any;
  if (!shown) throw new RangeError("an option that no quote has");
  // Where a charge cannot be told, the price found is the least there could be, and nothing else follows from it.
  const open = present.some(isOpen);
  const differ = <K extends keyof QuotedOption>(key: K) =>
    open || priced.some((option) => !equal(option[key], shown[key]));
  const alike = <T>(key: keyof QuotedOption, value: T) => (differ(key) ? undefined : value);
  // In the order it has always been written in.
  return {
    id: shown.id,
    name: shown.name,
    available: shown.available,
    shown: shown.shown,
    way: shown.way,
    price: shown.price,
    fullPrice: differ("fullPrice") ? null : shown.fullPrice,
    total: differ("total") ? null : shown.total,
    tax: differ("tax") ? null : shown.tax,
    offers: open ? [] : shown.offers.filter((id) => priced.every(({ offers }) => offers.includes(id))),
    grants: open || differ("grants") ? [] : shown.grants,
    chosen: !anyOpen && priced.length === found.length && priced.every(({ chosen }) => chosen),
    certain: !orNowhere && priced.length === found.length,
    from: priced.length > 0 && differ("price"),
    picture: shown.picture,
    code: shown.code,
    location: shown.location,
    asks: shown.asks,
    reason: shown.reason,
    note: alike("note", shown.note),
    noteRuns: alike("noteRuns", shown.noteRuns),
    pickup: alike("pickup", shown.pickup),
    promise: alike("promise", shown.promise),
    windows: alike("windows", shown.windows),
    picked: alike("picked", shown.picked),
  } satisfies EveryKey;
}

function mergedStep(found: readonly (Progress | undefined)[], unsettled: boolean): Progress {
  const present = found.filter((entry) => entry !== undefined);
  const [first] = present;
  if (!first) throw new RangeError("a step that no quote has");
  const alike = present.length === found.length && present.every((entry) => equal(entry, first));
  if (alike && !unsettled) return first;
  return {
    ...first,
    goal: Math.min(...present.map(({ goal }) => goal)),
    counted: present.reduce<number | null>(
      (least, { counted }) => (least === null || counted === null ? null : Math.min(least, counted)),
      first.counted,
    ),
    percent: Math.min(99, ...present.map(({ percent }) => percent)),
    reached: false,
    remaining: null,
    remainingSaid: null,
    state: "place-unknown",
  };
}

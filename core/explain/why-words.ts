import { NO_PRICE_WORDS } from "../charges/no-price.ts";
import type { AnyCharge } from "../charges/reference.ts";
import { chargeKind } from "../charges/registry.ts";
import { CONNECTIVE_KINDS } from "../conditions/registry.ts";
import { actualWords, conditionWords } from "../conditions/words.ts";
import { type DeliveryOption, optionIn } from "../delivery/option.ts";
import { measuredFigure } from "../measures/measure-spec.ts";
import { pickText } from "../messages/locale.ts";
import type { AmountContext, ReadersNames } from "../money/amount.ts";
import { exponentOf } from "../money/currency.ts";
import { writtenMoney } from "../money/format.ts";
import { joined, type Phrase, type PhraseValue, phrase, type Written } from "../phrases/phrase.ts";
import { type Plan, ratesOf, savedOf } from "../plan/plan.ts";
import type { OfferUse, Why, WhyCharge, WhyCondition, WhyLine, WhyOffer, WhyOption } from "../quote/answer/why.ts";

/** One sentence of an account, and the setting it comes from. */
export type WhySentence = {
  readonly text: Phrase;
  readonly about: { readonly kind: "option" | "offer" | "zone"; readonly id: string };
};

/** A sentence of an account with where it leads: to a part of a setting, by a JSON pointer within it. */
export type WhyLead = WhySentence & { readonly to: WhySentence["about"] & { readonly path: string } };

const lead = (text: Phrase, about: WhySentence["about"], path: string): WhyLead => ({
  text,
  about,
  to: { ...about, path },
});

/**
 * The account of one option in sentences. Made on demand: the account itself is data.
 *
 * @param names what is read for ids of locations and carriers; the ids unless given
 * @example whySentences(plan, why, "standard", "EUR")[0].text // "Standard costs €4.90."
 */
export function whySentences(
  plan: Plan,
  why: Why,
  option: string,
  currency: string,
  names: ReadersNames = {},
): WhySentence[] {
  return whyLeads(plan, why, option, currency, names).map(({ text, about }) => ({ text, about }));
}

/**
 * The same with what each sentence leads to.
 *
 * @example whyLeads(plan, why, "standard", "EUR")[1].to // { kind: "option", id: "standard", path: "/charge" }
 */
export function whyLeads(plan: Plan, why: Why, option: string, currency: string, names: ReadersNames = {}): WhyLead[] {
  const account = why.options.find((one) => one.option === option);
  const shared = plan.options.find(({ id }) => id === option);
  const zone = plan.zones.find(({ id }) => id === why.zone);
  if (!account || !shared || !zone) return [];
  const definition = optionIn(shared, zone.id);
  const words = new Words(plan, { zone: zone.id, market: zone.market, currency, rates: ratesOf(plan) }, names);
  return [
    ...words.optionSentences(account, definition, why.zone),
    ...account.offers
      .filter(({ use }) => use !== "nothing-for-this-option")
      .map((offer) => lead(words.offerSentence(offer), { kind: "offer", id: offer.offer }, USE_PATHS[offer.use])),
    ...why.withoutAmount.map(({ offer, step }) =>
      lead(
        phrase("“{name}” has no amount in {currency} for its step {step}.", {
          name: words.offerName(offer),
          currency,
          step,
        }),
        { kind: "offer", id: offer },
        "/steps",
      ),
    ),
  ];
}

/** What of an offer decides on its use. */
const USE_PATHS: Readonly<Record<OfferUse, string>> = {
  used: "/steps",
  "changes-nothing": "/stacking",
  "another-is-better": "/stacking",
  "nothing-for-this-option": "/steps",
  "not-earned": "/steps",
  condition: "/when",
  "condition-unknown": "/when",
  "not-in-time": "/schedule",
  "limit-reached": "/limits",
  "limit-unknown": "/limits",
  "no-price": "/steps",
};

/** What of an option makes each line of its price; what products and offers make is not the option's. */
const PART_PATHS: Readonly<Record<WhyLine["part"], string>> = {
  charge: "/charge",
  base: "/base",
  "mark-up": "/markUp",
  minimum: "/minimum",
  maximum: "/maximum",
  tax: "/taxRate",
  rounding: "/rounding",
  handling: "/handling",
  surcharge: "/surcharges",
  "own-charge": "",
  offers: "",
};

/** Where a line comes from; what a zone has of its own stands there. */
function pathOf({ part, id }: WhyLine, { byZone, surcharges = [] }: DeliveryOption, zone: string): string {
  if ((part === "charge" || part === "handling") && byZone?.[zone]?.[part]) return `/byZone/${zone}/${part}`;
  const index = part === "surcharge" ? surcharges.findIndex((one) => one.id === id) : -1;
  return index >= 0 ? `/surcharges/${index}` : PART_PATHS[part];
}

const USE_WORDS: Readonly<Record<OfferUse, Phrase>> = {
  used: phrase("is used"),
  "changes-nothing": phrase("is earned, but changes nothing here"),
  "another-is-better": phrase("is earned, but another offer is better for the shopper and the two do not go together"),
  "nothing-for-this-option": phrase("is earned, but gives nothing on this option"),
  "not-earned": phrase("is not earned yet"),
  condition: phrase("is not for this shopper or cart"),
  "condition-unknown": phrase("may be for this shopper, but not enough is known"),
  "not-in-time": phrase("does not run at this moment"),
  "limit-reached": phrase("has been used as often as it may be"),
  "limit-unknown": phrase("has a limit per shopper, and it is not known who this is"),
  "no-price": phrase("cannot be used on an option without a price"),
};

const PART_WORDS: Readonly<Record<WhyLine["part"], Phrase>> = {
  charge: phrase("Charge"),
  base: phrase("Base charge"),
  "mark-up": phrase("Mark-up"),
  minimum: phrase("Raised to the minimum"),
  maximum: phrase("Cut to the maximum"),
  tax: phrase("Tax settled"),
  rounding: phrase("Rounded"),
  handling: phrase("Handling"),
  surcharge: phrase("Surcharge"),
  "own-charge": phrase("Own charge of"),
  offers: phrase("Offers"),
};

const truthWords = (truth: boolean | null) =>
  truth === null ? phrase("not known") : truth ? phrase("yes") : phrase("no");

class Words {
  private readonly plan: Plan;
  private readonly context: AmountContext;
  private readonly names: ReadersNames;
  constructor(plan: Plan, context: Omit<AmountContext, keyof ReadersNames>, names: ReadersNames) {
    this.plan = plan;
    this.context = { ...context, ...names };
    this.names = names;
  }

  optionSentences(account: WhyOption, definition: DeliveryOption, zone: string): WhyLead[] {
    const { option, price, reason, when, lines } = account;
    const name = pickText(definition.name, "en", [])?.text ?? option;
    const about = { kind: "option", id: option } as const;
    const head =
      price === null
        ? phrase("{name} cannot be had: {reason}.", { name, reason: NO_PRICE_WORDS[reason ?? "not-offered"] })
        : phrase("{name} costs {money}.", { name, money: this.money(price) });
    return [
      lead(head, about, price === null && reason === "not-offered" ? "/when" : "/charge"),
      ...(when ? [lead(phrase("Asked: {condition}.", { condition: this.condition(when) }), about, "/when")] : []),
      ...lines.map((line): WhyLead => {
        const of = line.part === "handling" && !definition.handling ? ({ kind: "zone", id: zone } as const) : about;
        const said = lead(this.line(line, account, definition), of, pathOf(line, definition, zone));
        // What offers take off is changed where the first of them is.
        const [offer] = line.part === "offers" ? (line.id?.split(" ") ?? []) : [];
        return offer ? { ...said, to: { kind: "offer", id: offer, path: "/steps" } } : said;
      }),
    ];
  }

  offerSentence({ offer, use, when, steps }: WhyOffer): Phrase {
    const definition = this.plan.offers.find(({ id }) => id === offer);
    const kind = definition?.counts.kind ?? "value";
    const figure = (count: number) => measuredFigure(kind, count, this.context.currency);
    const goals = steps.flatMap(({ wanted, counted, reached }) => {
      if (wanted === undefined) return [];
      const found = counted === null || counted === undefined ? phrase("an unknown figure") : figure(counted);
      const values = { found, wanted: figure(wanted) };
      return [reached ? phrase("{found} of {wanted}, reached", values) : phrase("{found} of {wanted}", values)];
    });
    const asked = when && use !== "used" ? phrase(" ({condition})", { condition: this.condition(when) }) : "";
    const values = { name: this.offerName(offer), use: USE_WORDS[use], asked };
    return goals.length > 0
      ? phrase("“{name}” {use}{asked}: {goals}.", { ...values, goals: joined(goals, "; ") })
      : phrase("“{name}” {use}{asked}.", values);
  }

  offerName(id: string): string {
    return this.plan.offers.find((offer) => offer.id === id)?.name ?? id;
  }

  private line({ part, amount, id, charge, when }: WhyLine, { offers }: WhyOption, definition: DeliveryOption): Phrase {
    const head = joined([PART_WORDS[part], this.named(part, id, offers, definition)]);
    const how = charge && part === "charge" ? this.charge(definition.charge, charge) : null;
    const money = this.money(amount);
    const said = how
      ? phrase("{head}: {money}, {how}", { head, money, how })
      : phrase("{head}: {money}", { head, money });
    return when
      ? phrase("{said}, since {condition}.", { said, condition: this.condition(when) })
      : phrase("{said}.", { said });
  }

  /** What a line is about, by name: the offers used, a surcharge, a product. */
  private named(
    part: WhyLine["part"],
    id: string | undefined,
    offers: readonly WhyOffer[],
    { surcharges = [] }: DeliveryOption,
  ): PhraseValue {
    if (part === "offers")
      return joined(
        offers.filter(({ use }) => use === "used").map(({ offer }) => this.offerName(offer)),
        phrase(" and "),
      );
    if (part !== "surcharge") return id ?? "";
    return pickText(surcharges.find((one) => one.id === id)?.name ?? {}, "en", [])?.text ?? id ?? "";
  }

  /** How a charge came about. @example "flat", "by weight: 1.35 kg, in band 2 of 3" */
  private charge(charge: AnyCharge, account: WhyCharge): Phrase {
    return chargeKind(charge).why(charge, account, {
      measured: (kind, count, style) => measuredFigure(kind, count, this.context.currency, style),
      ...this.names,
      exactMoney: (text) => this.money(text),
      when: (found: WhyCondition) => this.condition(found),
      account: (inner, its) => this.charge(inner, its),
    });
  }

  /** A condition with what was found. @example "the cart holds more than 8 items: no (3)" */
  private condition({ kind, truth, wanted, actual, of = [] }: WhyCondition): Phrase {
    const parts = of.map((part) => this.condition(part));
    const connective = CONNECTIVE_KINDS.get(kind);
    if (connective && "joint" in connective) return joined(parts, connective.joint);
    const said = truthWords(truth);
    if (connective?.role === "negation") return phrase("not ({words}): {said}", { words: joined(parts), said });
    if (!wanted) return said;
    const words = conditionWords(wanted, this.context, savedOf(this.plan));
    const there = actualWords(wanted, actual, this.context.currency);
    return there === undefined
      ? phrase("{words}: {said}", { words, said })
      : phrase("{words}: {said} ({there})", { words, said, there });
  }

  /** Exact amounts, with more decimals than the currency has where they fall between its units. */
  private money(text: string): Written {
    const { currency } = this.context;
    const minor = Number(text);
    if (Number.isSafeInteger(minor)) return writtenMoney(minor, currency);
    const [n = "0", d = "1"] = text.split("/");
    const exact = Number(n) / Number(d) / 10 ** (exponentOf(currency) ?? 2);
    // For reading only: nothing is computed from it.
    const options = { style: "currency", currency, currencyDisplay: "narrowSymbol", maximumFractionDigits: 6 } as const;
    return { number: exact, options };
  }
}

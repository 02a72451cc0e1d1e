import { definitionOf, registry } from "../schema/kinds.ts";
import type { Static } from "../schema/type.ts";
import type { Connective } from "./connective.ts";
import type { RegisteredCondition } from "./definition.ts";
import { accountAge } from "./kinds/account-age.ts";
import { all } from "./kinds/all.ts";
import { any } from "./kinds/any.ts";
import { between } from "./kinds/between.ts";
import { billing } from "./kinds/billing.ts";
import { billingPostcode } from "./kinds/billing-postcode.ts";
import { billingRegion } from "./kinds/billing-region.ts";
import { business } from "./kinds/business.ts";
import { channel } from "./kinds/channel.ts";
import { code } from "./kinds/code.ts";
import { country } from "./kinds/country.ts";
import { currency } from "./kinds/currency.ts";
import { distance } from "./kinds/distance.ts";
import { goods } from "./kinds/goods.ts";
import { group } from "./kinds/group.ts";
import { hours } from "./kinds/hours.ts";
import { items } from "./kinds/items.ts";
import { language } from "./kinds/language.ts";
import { line } from "./kinds/line.ts";
import { lines } from "./kinds/lines.ts";
import { monthDays } from "./kinds/month-days.ts";
import { named } from "./kinds/named.ts";
import { not } from "./kinds/not.ts";
import { notOrderedFor } from "./kinds/not-ordered-for.ts";
import { orders } from "./kinds/orders.ts";
import { payment } from "./kinds/payment.ts";
import { postcode } from "./kinds/postcode.ts";
import { region } from "./kinds/region.ts";
import { saved } from "./kinds/saved.ts";
import { signedIn } from "./kinds/signed-in.ts";
import { street } from "./kinds/street.ts";
import { totalSpent } from "./kinds/total-spent.ts";
import { trait } from "./kinds/trait.ts";
import { value } from "./kinds/value.ts";
import { weekdays } from "./kinds/weekdays.ts";
import { weight } from "./kinds/weight.ts";

/** Every kind of condition that asks about a fact. A new kind is a file of its own and its name in this list. */
const PLAIN = [
  signedIn,
  named,
  group,
  orders,
  notOrderedFor,
  totalSpent,
  business,
  accountAge,
  country,
  region,
  postcode,
  distance,
  street,
  billing,
  billingRegion,
  billingPostcode,
  value,
  items,
  lines,
  weight,
  goods,
  trait,
  line,
  code,
  between,
  weekdays,
  monthDays,
  hours,
  channel,
  payment,
  currency,
  language,
] as const;

/** Every kind that is made of other conditions. */
const CONNECTIVES = [all, any, not, saved] as const;

/** A condition that asks about a fact. */
export type PlainCondition = Static<(typeof PLAIN)[number]["schema"]>;

/** Kinds of conditions that ask about a fact, by kind, in the order in which they are offered. */
export const CONDITION_KINDS: ReadonlyMap<string, RegisteredCondition> = registry<RegisteredCondition>(PLAIN);

/** An example of each kind, in the same order. */
export const CONDITION_EXAMPLES: readonly PlainCondition[] = PLAIN.map(({ example }) => example);

/** Kinds made of others, by kind. */
export const CONNECTIVE_KINDS: ReadonlyMap<string, Connective> = registry<Connective>(CONNECTIVES);

/** @throws RangeError for a kind that is not there, which the schema refuses before */
export const conditionKind = (condition: PlainCondition): RegisteredCondition =>
  definitionOf(CONDITION_KINDS, condition, "condition");

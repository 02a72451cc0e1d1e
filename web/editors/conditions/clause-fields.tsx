import { createElement, type FunctionComponent } from "react";
import type { Clause, ClauseEditorProps, ClauseOf } from "./clause-editor.ts";
import { AccountAgeFields } from "./kinds/account-age-editor.tsx";
import { BetweenFields } from "./kinds/between-editor.tsx";
import { ChannelFields } from "./kinds/channel-editor.tsx";
import { CodeFields } from "./kinds/code-editor.tsx";
import { CountedFields } from "./kinds/counted-editor.tsx";
import { CountriesFields } from "./kinds/countries-editor.tsx";
import { CurrencyFields } from "./kinds/currency-editor.tsx";
import { DistanceFields } from "./kinds/distance-editor.tsx";
import { GoodsFields } from "./kinds/goods-editor.tsx";
import { GroupFields } from "./kinds/group-editor.tsx";
import { HoursFields } from "./kinds/hours-editor.tsx";
import { LanguageFields } from "./kinds/language-editor.tsx";
import { LineFields } from "./kinds/line-editor.tsx";
import { MonthDaysFields } from "./kinds/month-days-editor.tsx";
import { NamedFields } from "./kinds/named-editor.tsx";
import { NotOrderedForFields } from "./kinds/not-ordered-for-editor.tsx";
import { NothingToSet } from "./kinds/nothing-to-set-editor.tsx";
import { PaymentFields } from "./kinds/payment-editor.tsx";
import { PostcodeFields } from "./kinds/postcode-editor.tsx";
import { RegionFields } from "./kinds/region-editor.tsx";
import { StreetFields } from "./kinds/street-editor.tsx";
import { TotalSpentFields } from "./kinds/total-spent-editor.tsx";
import { TraitFields } from "./kinds/trait-editor.tsx";
import { ValueFields } from "./kinds/value-editor.tsx";
import { WeekdaysFields } from "./kinds/weekdays-editor.tsx";
import { WeightFields } from "./kinds/weight-editor.tsx";

/** The editor of each kind of clause: a kind without one does not compile. */
type Editors = { readonly [Kind in Clause["kind"]]: FunctionComponent<ClauseEditorProps<ClauseOf<Kind>>> };

const EDITORS: Editors = {
  "signed-in": NothingToSet,
  business: NothingToSet,
  named: NamedFields,
  group: GroupFields,
  orders: CountedFields,
  items: CountedFields,
  lines: CountedFields,
  "not-ordered-for": NotOrderedForFields,
  "account-age": AccountAgeFields,
  "total-spent": TotalSpentFields,
  country: CountriesFields,
  billing: CountriesFields,
  "billing-region": RegionFields,
  "billing-postcode": PostcodeFields,
  street: StreetFields,
  region: RegionFields,
  postcode: PostcodeFields,
  distance: DistanceFields,
  value: ValueFields,
  weight: WeightFields,
  goods: GoodsFields,
  trait: TraitFields,
  code: CodeFields,
  between: BetweenFields,
  weekdays: WeekdaysFields,
  "month-days": MonthDaysFields,
  hours: HoursFields,
  channel: ChannelFields,
  payment: PaymentFields,
  currency: CurrencyFields,
  language: LanguageFields,
  line: LineFields,
};

/** What can be changed about one clause, in the terms it reads in. */
export function ClauseFields<Kind extends Clause["kind"]>(props: ClauseEditorProps<ClauseOf<Kind>>) {
  const kind: Kind = props.clause.kind;
  return createElement<ClauseEditorProps<ClauseOf<Kind>>>(EDITORS[kind], props);
}

import { createElement, type FunctionComponent } from "react";
import type { Clause, ClauseEditorProps, ClauseOf } from "./clause-editor.ts";
import { AccountAgeFields } from "./kinds/account-age.tsx";
import { BetweenFields } from "./kinds/between.tsx";
import { ChannelFields } from "./kinds/channel.tsx";
import { CodeFields } from "./kinds/code.tsx";
import { CountedFields } from "./kinds/counted.tsx";
import { CountriesFields } from "./kinds/countries.tsx";
import { CurrencyFields } from "./kinds/currency.tsx";
import { DistanceFields } from "./kinds/distance.tsx";
import { GoodsFields } from "./kinds/goods.tsx";
import { GroupFields } from "./kinds/group.tsx";
import { HoursFields } from "./kinds/hours.tsx";
import { LanguageFields } from "./kinds/language.tsx";
import { LineFields } from "./kinds/line.tsx";
import { MonthDaysFields } from "./kinds/month-days.tsx";
import { NamedFields } from "./kinds/named.tsx";
import { NotOrderedForFields } from "./kinds/not-ordered-for.tsx";
import { NothingToSet } from "./kinds/nothing-to-set.tsx";
import { PostcodeFields } from "./kinds/postcode.tsx";
import { RegionFields } from "./kinds/region.tsx";
import { TotalSpentFields } from "./kinds/total-spent.tsx";
import { TraitFields } from "./kinds/trait.tsx";
import { ValueFields } from "./kinds/value.tsx";
import { WeekdaysFields } from "./kinds/weekdays.tsx";
import { WeightFields } from "./kinds/weight.tsx";

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
  currency: CurrencyFields,
  language: LanguageFields,
  line: LineFields,
};

/** What can be changed about one clause, in the terms it reads in. */
export function ClauseFields<Kind extends Clause["kind"]>(props: ClauseEditorProps<ClauseOf<Kind>>) {
  const kind: Kind = props.clause.kind;
  return createElement<ClauseEditorProps<ClauseOf<Kind>>>(EDITORS[kind], props);
}

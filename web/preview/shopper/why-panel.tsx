import { useQuery } from "@tanstack/react-query";
import { useMemo } from "react";
import { Link } from "wouter";
import { whyLeads } from "../../../core/explain/why-words.ts";
import { quote } from "../../../core/quote/quote.ts";
import type { QuoteRequest } from "../../../core/request/request.ts";
import type { CompiledPlan } from "../../../core/tariff/compile.ts";
import { say, theReader } from "../../language/say.ts";
import { carrierNamesIn, NO_CARRIERS } from "../../names/carrier-names.ts";
import { locationNameIn } from "../../names/location-name.ts";
import { fieldAddress } from "../../state/field-address.ts";
import { carrierList } from "../../state/server-queries.ts";

type Props = { compiled: CompiledPlan; request: QuoteRequest; option: string };

/** Why an option costs what it does, line by line; each line leads to the setting that caused it. */
export function WhyPanel({ compiled, request, option }: Props) {
  const { data: carriers = NO_CARRIERS } = useQuery(carrierList);
  const sentences = useMemo(() => {
    const names = { locationName: locationNameIn(compiled.plan), carrierNames: carrierNamesIn(carriers) };
    const result = quote(compiled, request, { text: false, why: true });
    const accounts = "quote" in result ? (result.quote.why ?? []) : [];
    return accounts.map((why) => ({
      zone: why.zone,
      sentences: whyLeads(compiled.plan, why, option, request.currency, names),
    }));
  }, [compiled, request, option, carriers]);
  return (
    <div className="mt-1.5 border-l-2 border-primary pl-3 text-[13px]" dir="ltr" lang={theReader().locale}>
      {sentences.map(({ zone, sentences: lines }) => (
        <ul key={zone} className="grid gap-1">
          {lines
            .map(({ text, to }) => ({ said: say(text), to }))
            .map(({ said, to }) => (
              <li key={said}>
                <Link className="link" href={fieldAddress(to)}>
                  {said}
                </Link>
              </li>
            ))}
        </ul>
      ))}
    </div>
  );
}

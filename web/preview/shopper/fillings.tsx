import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { stepWords } from "../../../core/explain/offer-sentence.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import type { Filling, Suggestion } from "../../../core/queries/suggestions.ts";
import { NotLoaded } from "../../fields/not-loaded.tsx";
import { makersMoney } from "../../language/money.ts";
import { say } from "../../language/say.ts";
import { call } from "../../state/api.ts";
import { useLooked } from "../../state/quote-context.ts";
import { useDraft } from "../../state/use-draft.ts";

type Told = {
  readonly suggestions: readonly Suggestion[];
  readonly products: readonly { readonly sku: string; readonly name: string; readonly price: number }[];
};

/** For each goal on the way: the products, or pairs of them, that fill the gap with the least beyond it. */
export function Fillings({ onAdd }: { onAdd: (skus: readonly string[]) => void }) {
  const { sample } = useLooked();
  const { plan, draft } = useDraft();
  const { data, error } = useQuery({
    queryKey: ["suggest", sample, draft?.sequence],
    queryFn: () => call<Told>("/api/suggest", sample),
    placeholderData: keepPreviousData,
  });
  if (error) return <NotLoaded error={error} />;
  if (!data) return null;
  if (data.suggestions.length === 0) return <p>{say("This cart is on the way to no goal.")}</p>;
  const nameOf = (sku: string) => data.products.find((product) => product.sku === sku)?.name ?? sku;
  return data.suggestions.map(({ offer, step, measure, one, two }) => {
    const name = plan ? stepName(plan, offer, step) : offer;
    const beyond = (filling: Filling) => {
      if (filling.beyond === 0) return say("exactly");
      return measure === "value" ? say("{money} beyond", { money: makersMoney(filling.beyond, sample.currency) }) : "";
    };
    return (
      <section key={`${offer} ${step}`} aria-label={name} className="mt-1">
        <h3 className="font-semibold">{name}</h3>
        <ul>
          {[...one, ...two].map((filling) => (
            <li key={filling.skus.join(" ")} className="flex items-baseline gap-2">
              <button type="button" className="link text-left" onClick={() => onAdd(filling.skus)}>
                {filling.skus.map(nameOf).join(" + ")}
              </button>
              <span className="ml-auto whitespace-nowrap text-quiet">{beyond(filling)}</span>
            </li>
          ))}
        </ul>
        {one.length + two.length === 0 && (
          <p>{say("None of the products that come nearest would do, and no two of them.")}</p>
        )}
      </section>
    );
  });
}

/** The offer's name, and which of its steps where it has several. */
function stepName(plan: Plan, id: string, step: string): string {
  const offer = plan.offers.find((one) => one.id === id);
  const found = offer && offer.steps.length > 1 ? offer.steps.find((one) => one.id === step) : undefined;
  if (!offer) return id;
  return found ? `${offer.name}: ${say(stepWords(plan, found))}` : offer.name;
}

import { lazy, Suspense, useMemo, useState } from "react";
import { stepWords } from "../../../core/explain/offer-sentence.ts";
import { SURFACES, type Surface } from "../../../core/messages/states.ts";
import type { StepWording } from "../../../core/messages/step-wording.ts";
import type { Offer } from "../../../core/offers/offer.ts";
import { STORE_ID } from "../../../core/plan/entities.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import { exampleMessages } from "../../../core/queries/example-messages.ts";
import type { Progress } from "../../../core/quote/answer/quote.ts";
import { byPosition } from "../../../core/schema/atoms.ts";
import { isOutdated, sourceLanguageOf, translationUnits } from "../../../core/translation/translation-units.ts";
import { Loading } from "../../fields/loading.tsx";
import { Popover } from "../../fields/popover.tsx";
import { RadioField } from "../../fields/radio-field.tsx";
import { SectionHeading } from "../../fields/section-heading.tsx";
import { say } from "../../language/say.ts";
import { languagesRead } from "../../names/languages.ts";
import { useLooked } from "../../state/quote-context.ts";
import { draftStore, useDraft } from "../../state/use-draft.ts";
import { useSelected } from "../../state/use-selected.ts";
import { DisplayEditor } from "./display-editor.tsx";
import { SideBySide } from "./side-by-side.tsx";
import { TranslatorFiles } from "./translator-files.tsx";
import { WordingGrid } from "./wording-grid.tsx";

// Opened rarely: loaded when they are.
const Notices = lazy(() => import("./notices.tsx").then((module) => ({ default: module.Notices })));

const TextPatterns = lazy(() => import("./text-patterns.tsx"));
const ShopWordsEditor = lazy(() =>
  import("./shop-words-editor.tsx").then((module) => ({ default: module.ShopWordsEditor })),
);

const NO_PROGRESS: readonly Progress[] = [];

/** In the address where an offer's id would stand. */
const WHOLE_PLAN = "plan";
const NOTICES = "notice/";
const SHOP_WORDS = "words";

/** What shoppers read: per offer and for the whole plan, every state and language, live from the current standpoint. */
export function WordingView() {
  const state = useDraft();
  const { request, quote } = useLooked();
  const progress = quote?.progress ?? NO_PROGRESS;
  const { plan, compiled } = state;
  const [selected, select] = useSelected("wording");
  const example = useMemo(
    () => compiled && exampleMessages(compiled, request, progress),
    [compiled, request, progress],
  );
  if (!plan || !example) return null;
  const offers = [...plan.offers].sort(byPosition);
  const whole = selected === WHOLE_PLAN;
  const inNotices = selected?.startsWith(NOTICES) ?? false;
  const inWords = selected === SHOP_WORDS;
  const offer = whole || inNotices || inWords ? undefined : (offers.find(({ id }) => id === selected) ?? offers[0]);
  return (
    <div className="grid grid-cols-[minmax(150px,200px)_minmax(0,1fr)] gap-5 max-[1000px]:grid-cols-1">
      <nav aria-label={say("Wording of")}>
        <SectionHeading className="mb-2 font-semibold">{say("What shoppers read")}</SectionHeading>
        <ul>
          <Entry name={say("For the whole plan")} isCurrent={whole} behind={0} onSelect={() => select(WHOLE_PLAN)} />
          <Entry
            name={say("Words around the cart")}
            isCurrent={inWords}
            behind={0}
            onSelect={() => select(SHOP_WORDS)}
          />
          <Entry name={say("Notices")} isCurrent={inNotices} behind={0} onSelect={() => select(NOTICES)} />
          {offers.map((one) => (
            <Entry
              key={one.id}
              name={one.name}
              isCurrent={one.id === offer?.id}
              behind={behind(plan, one)}
              onSelect={() => select(one.id)}
            />
          ))}
        </ul>
      </nav>
      <div className="min-w-0">
        {inNotices || inWords ? (
          <Suspense fallback={<Loading />}>
            {inNotices ? <Notices /> : <ShopWordsEditor plan={plan} languages={languagesOf(plan, undefined)} />}
          </Suspense>
        ) : (
          <>
            <Texts plan={plan} example={example} offer={offer ?? null} />
            <DisplayEditor plan={plan} />
            <TranslatorFiles plan={plan} languages={languagesOf(plan, undefined)} />
          </>
        )}
      </div>
    </div>
  );
}

type TextsProps = {
  plan: Plan;
  example: ReturnType<typeof exampleMessages>;
  /** Whose texts; null for those of the whole plan. */
  offer: Offer | null;
};

/** The texts of an offer's steps, or of the whole plan, in every state and language. */
function Texts({ plan, example, offer }: TextsProps) {
  const { request } = useLooked();
  const [surface, setSurface] = useState<Surface | null>(null);
  const [together, setTogether] = useState(false);
  const grid = { plan, example, surface, languages: languagesOf(plan, offer ?? undefined) };
  const saveStep = (of: Offer, step: string, wording: StepWording) => {
    const steps = of.steps.map((one) => (one.id === step ? { ...one, wording } : one));
    draftStore.commit({ kind: "offer", id: of.id, body: { ...of, steps } });
  };
  return (
    <>
      <div className="mb-2 flex flex-wrap items-center gap-4">
        <fieldset className="flex gap-3">
          <legend className="sr-only">{say("Where it is read")}</legend>
          {[null, ...SURFACES].map((one) => (
            <RadioField
              key={one ?? "everywhere"}
              name="surface"
              label={
                one === null
                  ? say("everywhere")
                  : one === "banner"
                    ? say("only on the banner")
                    : one === "cart"
                      ? say("only in the cart")
                      : say("only in the checkout")
              }
              checked={surface === one}
              onChoose={() => setSurface(one)}
            />
          ))}
        </fieldset>
        {offer && (
          <button
            type="button"
            className="btn btn-sm ml-auto"
            aria-pressed={together}
            onClick={() => setTogether(!together)}
          >
            {together ? say("As a table") : say("All states side by side")}
          </button>
        )}
      </div>
      {surface !== null && (
        <p className="mb-2 text-[13px] text-quiet">
          {say("What is left empty here is said as everywhere. Other places keep their own texts.")}
        </p>
      )}
      {!offer && (
        <WordingGrid
          {...grid}
          name={say("Where a step says nothing of its own")}
          at="/wording"
          wording={plan.store.wording ?? {}}
          offer={null}
          step={null}
          onWording={(wording) => draftStore.commit({ kind: "store", id: STORE_ID, body: { ...plan.store, wording } })}
        />
      )}
      {offer &&
        [...offer.steps].sort(byPosition).map((step, i) => (
          <section key={step.id} aria-label={say("Wording of step {number}", { number: i + 1 })} className="mb-4">
            {together ? (
              <>
                <h2 className="font-semibold">
                  {i + 1}. {say(stepWords(plan, step))}
                </h2>
                <SideBySide
                  store={plan.store}
                  example={example}
                  offer={offer}
                  step={step}
                  surface={surface ?? "cart"}
                  locale={request.locale ?? "en"}
                />
              </>
            ) : (
              <>
                {step.reward.kind === "free" && (
                  <Popover
                    label={say("Texts for step {number} from a pattern", { number: i + 1 })}
                    shown={say("Texts from a pattern")}
                    look="button"
                  >
                    <Suspense fallback={<Loading />}>
                      <TextPatterns
                        example={example}
                        offer={offer.id}
                        step={step}
                        languages={grid.languages}
                        source={sourceLanguageOf(plan)}
                        onWording={(wording) => saveStep(offer, step.id, wording)}
                      />
                    </Suspense>
                  </Popover>
                )}
                <WordingGrid
                  {...grid}
                  name={`${i + 1}. ${say(stepWords(plan, step))}`}
                  at={`/steps/${offer.steps.indexOf(step)}/wording`}
                  wording={step.wording}
                  offer={offer.id}
                  step={step.id}
                  onWording={(wording) => saveStep(offer, step.id, wording)}
                />
              </>
            )}
          </section>
        ))}
    </>
  );
}

type EntryProps = { name: string; isCurrent: boolean; behind: number; onSelect: () => void };

const Entry = ({ name, isCurrent, behind: count, onSelect }: EntryProps) => (
  <li>
    <button
      type="button"
      aria-current={isCurrent || undefined}
      className="flex w-full cursor-pointer items-baseline border-b border-base-300 px-2 py-1.5 text-left aria-[current]:bg-base-100 aria-[current]:font-semibold"
      onClick={onSelect}
    >
      <span className="min-w-0 flex-1">{name}</span>
      {count > 0 && (
        <span className="text-[13px] font-bold text-warning">
          {count}
          <span className="sr-only"> {say("texts missing or outdated")}</span>
        </span>
      )}
    </button>
  </li>
);

/** The languages read where an offer holds, or anywhere; the source first. Kinds of one language share its texts. */
function languagesOf(plan: Plan, offer: Offer | undefined): string[] {
  const zones = plan.zones.filter(({ id }) => !offer || offer.zones.includes(id));
  const markets = new Set(zones.map(({ market }) => market));
  const read = languagesRead(plan.markets.filter(({ id }) => markets.has(id)));
  const written = translationUnits(plan)
    .filter((unit) => !offer || unit.offer === offer.id)
    .flatMap(({ texts }) => Object.keys(texts));
  return [...new Set([sourceLanguageOf(plan), ...read, ...written])];
}

/** Texts of an offer that are missing or outdated in a language its shoppers read. */
function behind(plan: Plan, offer: Offer): number {
  const source = sourceLanguageOf(plan);
  const languages = languagesOf(plan, offer);
  return translationUnits(plan)
    .filter((unit) => unit.offer === offer.id)
    .reduce(
      (sum, unit) =>
        sum + languages.filter((locale) => unit.texts[locale] === undefined || isOutdated(unit, locale, source)).length,
      0,
    );
}

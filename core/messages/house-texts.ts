import { phrase } from "../phrases/phrase.ts";
import type { MessageState } from "./states.ts";
import type { StepWording } from "./step-wording.ts";

/** The states a step of free delivery comes with a text for: those that tell no code and promise nothing that is not there. */
const STATES = ["empty", "on-the-way", "reached", "place-unknown"] as const satisfies readonly MessageState[];

type Texts = Readonly<Record<(typeof STATES)[number], string>>;

/** By language, without its regions. */
const FREE_DELIVERY: Readonly<Record<string, Texts>> = {
  en: {
    empty: "{option} is free from {goal}",
    "on-the-way": "Add {remaining} more and {option} is free",
    reached: "{option} is free",
    "place-unknown": "{option} is free from {goal} in some places",
  },
  pt: {
    empty: "{option}: grátis a partir de {goal}",
    "on-the-way": "Faltam {remaining} para {option} ser grátis",
    reached: "{option}: grátis",
    "place-unknown": "{option}: grátis a partir de {goal} em alguns destinos",
  },
  fr: {
    empty: "{option} : gratuit dès {goal}",
    "on-the-way": "Plus que {remaining} pour que {option} soit gratuit",
    reached: "{option} : gratuit",
    "place-unknown": "{option} : gratuit dès {goal} pour certaines destinations",
  },
  es: {
    empty: "{option}: gratis desde {goal}",
    "on-the-way": "Faltan {remaining} para que {option} sea gratis",
    reached: "{option}: gratis",
    "place-unknown": "{option}: gratis desde {goal} en algunos destinos",
  },
  de: {
    empty: "{option}: kostenlos ab {goal}",
    "on-the-way": "Noch {remaining}, dann ist {option} kostenlos",
    reached: "{option}: kostenlos",
    "place-unknown": "{option}: an manche Orte kostenlos ab {goal}",
  },
  it: {
    empty: "{option}: gratis da {goal}",
    "on-the-way": "Ancora {remaining} e {option} è gratis",
    reached: "{option}: gratis",
    "place-unknown": "{option}: gratis da {goal} per alcune destinazioni",
  },
  nl: {
    empty: "{option}: gratis vanaf {goal}",
    "on-the-way": "Nog {remaining} en {option} is gratis",
    reached: "{option}: gratis",
    "place-unknown": "{option}: naar sommige plaatsen gratis vanaf {goal}",
  },
  ja: {
    empty: "{goal}以上で{option}が無料",
    "on-the-way": "あと{remaining}で{option}が無料",
    reached: "{option}が無料です",
    "place-unknown": "お届け先によっては{goal}以上で{option}が無料",
  },
  ar: {
    empty: "{option} مجانًا ابتداءً من {goal}",
    "on-the-way": "أضف {remaining} ليصبح {option} مجانيًا",
    reached: "{option} مجاني",
    "place-unknown": "{option} مجانًا ابتداءً من {goal} إلى بعض الوجهات",
  },
};

/** The same in few letters, as for a banner. */
const FREE_IN_SHORT: Readonly<Record<string, Texts>> = {
  en: {
    empty: "Free delivery from {goal}",
    "on-the-way": "{remaining} to free delivery",
    reached: "Free delivery is yours",
    "place-unknown": "Free delivery from {goal} in some places",
  },
  pt: {
    empty: "Entrega grátis desde {goal}",
    "on-the-way": "Faltam {remaining} para a entrega grátis",
    reached: "A entrega é grátis",
    "place-unknown": "Entrega grátis desde {goal} em alguns destinos",
  },
  fr: {
    empty: "Livraison gratuite dès {goal}",
    "on-the-way": "Plus que {remaining} pour la livraison gratuite",
    reached: "La livraison est offerte",
    "place-unknown": "Livraison gratuite dès {goal} pour certaines destinations",
  },
  es: {
    empty: "Envío gratis desde {goal}",
    "on-the-way": "Faltan {remaining} para el envío gratis",
    reached: "El envío es gratis",
    "place-unknown": "Envío gratis desde {goal} en algunos destinos",
  },
  de: {
    empty: "Kostenlose Lieferung ab {goal}",
    "on-the-way": "Noch {remaining} bis zur kostenlosen Lieferung",
    reached: "Die Lieferung ist kostenlos",
    "place-unknown": "An manche Orte kostenlose Lieferung ab {goal}",
  },
  it: {
    empty: "Consegna gratuita da {goal}",
    "on-the-way": "Ancora {remaining} per la consegna gratuita",
    reached: "La consegna è gratuita",
    "place-unknown": "Consegna gratuita da {goal} per alcune destinazioni",
  },
  nl: {
    empty: "Gratis bezorging vanaf {goal}",
    "on-the-way": "Nog {remaining} tot gratis bezorging",
    reached: "De bezorging is gratis",
    "place-unknown": "Naar sommige plaatsen gratis bezorging vanaf {goal}",
  },
  ja: {
    empty: "{goal}以上で送料無料",
    "on-the-way": "あと{remaining}で送料無料",
    reached: "送料無料です",
    "place-unknown": "お届け先によっては{goal}以上で送料無料",
  },
  ar: {
    empty: "توصيل مجاني ابتداءً من {goal}",
    "on-the-way": "بقي {remaining} للتوصيل المجاني",
    reached: "التوصيل مجاني",
    "place-unknown": "توصيل مجاني ابتداءً من {goal} إلى بعض الوجهات",
  },
};

/** Sets of texts for a step of free delivery, by what they are called. */
export const TEXT_PATTERNS = [
  { id: "named", name: phrase("With the option's name"), texts: FREE_DELIVERY },
  { id: "short", name: phrase("In few letters"), texts: FREE_IN_SHORT },
] as const;
export type TextPattern = (typeof TEXT_PATTERNS)[number]["id"];

/** The languages that texts are shipped in. */
export const HOUSE_LANGUAGES: readonly string[] = Object.keys(FREE_DELIVERY);

/**
 * What a new step of free delivery says, in those of the languages that texts are shipped in. They are the plan's own from then on.
 *
 * @param source the language that translations are made from: each translation keeps the text it was made from
 * @param hasGoal without one, only what is said once it is earned
 * @example freeDeliveryTexts(["en", "pt"], "en").reached // { en: "{option} is free", pt: "{option}: grátis" }
 */
export function freeDeliveryTexts(
  languages: readonly string[],
  source: string,
  { pattern = "named", hasGoal = true }: { pattern?: TextPattern; hasGoal?: boolean } = {},
): StepWording {
  const set: Readonly<Record<string, Texts>> = TEXT_PATTERNS.find(({ id }) => id === pattern)?.texts ?? FREE_DELIVERY;
  const states = hasGoal ? STATES : (["reached"] as const);
  const shipped = [...new Set(languages)].flatMap((language) => {
    const texts = set[language];
    return texts ? [{ language, texts }] : [];
  });
  if (shipped.length === 0) return {};
  const from = shipped.find(({ language }) => language === source)?.texts;
  const made = shipped
    .filter(({ language }) => language !== source)
    .flatMap(({ language }) => (from ? states.map((state) => [`${state}/${language}`, from[state]] as const) : []));
  return {
    ...Object.fromEntries(
      states.map((state) => [
        state,
        Object.fromEntries(shipped.map(({ language, texts }) => [language, texts[state]])),
      ]),
    ),
    ...(made.length > 0 ? { translatedFrom: Object.fromEntries(made) } : {}),
  };
}

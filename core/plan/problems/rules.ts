import { tellsACode } from "../../cart/codes.ts";
import type { SavedConditions } from "../../conditions/condition.ts";
import { conditionDepth } from "../../conditions/visit.ts";
import { RETIRED_MEASURE } from "../../measures/measure-spec.ts";
import { OPTION_VARIABLE_KINDS } from "../../messages/option-variables.ts";
import { runsOf } from "../../messages/rich-text.ts";
import { shopWordProblems } from "../../messages/shop-word-problems.ts";
import { SHOP_WORD_NAMES } from "../../messages/shop-words.ts";
import { SURFACES } from "../../messages/states.ts";
import { stepVariableKinds } from "../../messages/step-variables.ts";
import type { StepWording } from "../../messages/step-wording.ts";
import { formattingProblems, stateTexts } from "../../messages/wording.ts";
import type { Offer, Step } from "../../offers/offer.ts";
import { codesOf } from "../../offers/trigger.ts";
import { phrase } from "../../phrases/phrase.ts";
import { rewardKind } from "../../rewards/reward.ts";
import { isIdentifier } from "../../schema/identifier.ts";
import { type Problem, pointer } from "../../schema/problem.ts";
import { type Entity, entitiesOf, planPath } from "../entities.ts";
import { type Plan, savedOf } from "../plan.ts";
import { conditionsOf } from "../visit-conditions.ts";
import { MOST_NESTED, nestingProblem } from "./nesting.ts";

/**
 * Rules that came after plans were made: edits and new releases keep them, while what was released before, or comes from an
 * older file, goes on answering as it did, with a finding. Paths lead into the entity's body.
 */
export function ruleProblems(entity: Entity, saved: SavedConditions): Problem[] {
  const nested = nestingProblem(entity.body, MOST_NESTED);
  return [
    ...(nested ? [nested] : depthProblems(entity, saved)),
    ...textProblems(entity),
    ...(entity.kind === "offer" ? offerProblems(entity.body) : []),
    ...identifierProblems(entity.body),
    ...retiredProblems(entity.body),
  ];
}

/**
 * Which of offers that pick their company are best together has to be tried, set by set: that stays quick while each picks a few. Those
 * that stack with any others are used all together, however many there are.
 */
const MOST_PARTNERS = 8;

function offerProblems({ stacking, steps }: Offer): Problem[] {
  const partners = stacking?.kind === "with" ? stacking.offers.length : 0;
  return [
    ...(partners > MOST_PARTNERS
      ? [
          {
            path: "/stacking/offers",
            message: phrase("names more than {most} offers it may be used with: let it stack with any, or name fewer", {
              most: MOST_PARTNERS,
            }),
          },
        ]
      : []),
    ...steps.flatMap((step, i) => stepProblems(step, `/steps/${i}`)),
  ];
}

/** The same of everything in a plan; paths lead into the plan. */
export function brokenRules(plan: Plan): Problem[] {
  const saved = savedOf(plan);
  return entitiesOf(plan).flatMap((entity) =>
    ruleProblems(entity, saved).map(({ path, message }) => ({ path: `${planPath(plan, entity)}${path}`, message })),
  );
}

function depthProblems(entity: Entity, saved: SavedConditions): Problem[] {
  return conditionsOf(entity).flatMap(({ condition, path }) =>
    conditionDepth(condition, saved) > MOST_NESTED
      ? [
          {
            path,
            message: phrase("goes more than {most} deep with the saved conditions it names", { most: MOST_NESTED }),
          },
        ]
      : [],
  );
}

/** Texts that would fail, or say NaN, in some state or language. */
function textProblems(entity: Entity): Problem[] {
  switch (entity.kind) {
    case "store":
      return [
        ...(entity.body.wording ? wordingProblemsIn(entity.body.wording, null, "/wording") : []),
        ...SHOP_WORD_NAMES.flatMap((word) =>
          Object.entries(entity.body.words?.[word] ?? {}).flatMap(([locale, text]) =>
            shopWordProblems(word, text, `/words/${word}/${locale}`),
          ),
        ),
      ];
    case "offer":
      return entity.body.steps.flatMap((step, i) =>
        wordingProblemsIn(step.wording, entity.body.counts.kind, `/steps/${i}/wording`),
      );
    case "option":
      return (["name", "note"] as const).flatMap((key) =>
        Object.entries(entity.body[key] ?? {}).flatMap(([locale, rich]) =>
          runsOf(rich).flatMap(({ text }, i) =>
            text.includes("{")
              ? formattingProblems(
                  text,
                  locale,
                  OPTION_VARIABLE_KINDS,
                  `/${key}${pointer(locale)}${typeof rich === "string" ? "" : `/${i}/text`}`,
                )
              : [],
          ),
        ),
      );
    default:
      return [];
  }
}

function wordingProblemsIn(
  { on, translatedFrom: _, ...everywhere }: StepWording,
  counts: string | null,
  path: string,
): Problem[] {
  return [
    ...stateTexts(everywhere, path),
    ...SURFACES.flatMap((surface) => stateTexts(on?.[surface] ?? {}, `${path}/on/${surface}`)),
  ].flatMap(({ state, locale, text, path: at }) =>
    formattingProblems(text, locale, stepVariableKinds(state, counts), at),
  );
}

function stepProblems({ trigger, reward, wording }: Step, path: string): Problem[] {
  const codes = codesOf(trigger);
  const told = [wording, ...Object.values(wording.on ?? {})].flatMap((texts) =>
    Object.values(texts["code-missing"] ?? {}),
  );
  return [
    ...(told.some((text) => tellsACode(text, codes))
      ? [{ path: `${path}/wording/code-missing`, message: phrase("tells the code to whoever has not got it") }]
      : []),
    ...rewardKind(reward)
      .rules(reward)
      .map(({ path: at, message }) => ({ path: `${path}/reward${at}`, message })),
  ];
}

/** Measures that are not made any more; what has them goes on charging by them. */
function retiredProblems(body: unknown, path = ""): Problem[] {
  if (typeof body !== "object" || body === null) return [];
  if ("kind" in body && body.kind === RETIRED_MEASURE)
    return [
      { path, message: phrase("weight times volume is not counted any more: count the chargeable weight instead") },
    ];
  return Object.entries(body).flatMap(([key, part]) => retiredProblems(part, `${path}${pointer(key)}`));
}

/** Names by which shops' servers know things: lists of them, and single ones. */
const NAMES: ReadonlySet<string> = new Set([
  "categories",
  "channels",
  "classes",
  "codes",
  "groups",
  "ids",
  "methods",
  "of",
  "sku",
  "skus",
  "tags",
]);

/** Names that are blank, or hold what nobody can type. */
function identifierProblems(body: unknown, path = "", key = ""): Problem[] {
  if (typeof body === "string")
    return NAMES.has(key) && !isIdentifier(body)
      ? [{ path, message: phrase("is blank, or holds characters nobody can type") }]
      : [];
  if (typeof body !== "object" || body === null) return [];
  return Object.entries(body).flatMap(([name, inner]) => [
    ...(key === "classes" && !isIdentifier(name)
      ? [{ path: `${path}${pointer(name)}`, message: phrase("has a blank name") }]
      : []),
    ...identifierProblems(inner, `${path}${pointer(name)}`, Array.isArray(body) ? key : name),
  ]);
}

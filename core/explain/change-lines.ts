import equal from "fast-deep-equal";
import type { Condition } from "../conditions/condition.ts";
import { conditionWords } from "../conditions/words.ts";
import { exponentOf } from "../money/currency.ts";
import { minorUnits } from "../money/decimal.ts";
import { writtenMoney } from "../money/format.ts";
import { joined, type Phrase, type PhraseValue, phrase } from "../phrases/phrase.ts";
import { ENGLISH, speakValue } from "../phrases/speak.ts";
import { ENTITY_KINDS, type Entity, type List } from "../plan/entities.ts";
import { partsOf } from "../plan/parts-of.ts";
import { type Plan, ratesOf, savedOf } from "../plan/plan.ts";
import { byPosition } from "../schema/atoms.ts";
import { wordsOfKey } from "../schema/key-words.ts";
import { chosenWords } from "./chosen-words.ts";

/** One part of a thing as it was and as it is; null on the side where there is none. */
export type ChangeLine = {
  /** As a path of keys within the thing; parts of a list that have an id stand under it. */
  readonly path: readonly string[];
  /** @example "step 1 · goal · EUR" */
  readonly what: Phrase;
  readonly before: PhraseValue | null;
  readonly after: PhraseValue | null;
};

/**
 * What has changed in one thing of a plan, part by part: each line's sides differ, and whatever differs has a line. What is named is named by the plan of its side.
 *
 * @example changeLines(before, after, was, now) // [{ what: "charge · amount · EUR", before: "€4.90", after: "€5.50" }]
 */
export function changeLines(before: Entity | null, after: Entity | null, was: Plan, now: Plan): ChangeLine[] {
  const either = after ?? before;
  if (!either) return [];
  const sides = new Sides(either, was, now);
  return sides.compare([], before?.body, after?.body);
}

/** Keys that tell a reader nothing on the way to what has changed. */
const SILENT = new Set(["kind", "steps", "trigger", "at", "byCurrency", "surcharges", "wording"]);
/** Records whose keys are ids. */
const KEYED_BY_ID = new Set(["byZone", "byMarket"]);

/** The list that an id under a key is of. */
const REFERS_TO: Readonly<Record<string, List>> = {
  ...{ zones: "zones", zone: "zones", byZone: "zones", market: "markets", byMarket: "markets" },
  ...{ options: "options", option: "options", of: "options", offers: "offers", table: "rates" },
  ...{ location: "locations", from: "locations", at: "locations" },
};

class Sides {
  private readonly entity: Entity;
  private readonly was: Plan;
  private readonly now: Plan;
  constructor(entity: Entity, was: Plan, now: Plan) {
    this.entity = entity;
    this.was = was;
    this.now = now;
  }

  compare(path: readonly string[], before: unknown, after: unknown): ChangeLine[] {
    if (equal(before, after)) return [];
    const [was, now] = [partsOf(before), partsOf(after)];
    const inWords = this.conditions(path, before, after);
    if (inWords) return inWords;
    if (was && now && (was.size > 0 || now.size > 0)) {
      const lines = [...new Set([...was.keys(), ...now.keys()])].flatMap((key) =>
        this.compare([...path, key], was.get(key), now.get(key)),
      );
      // Where parts only stand in another order, the list as a whole has changed.
      if (lines.length > 0) return lines;
    }
    return this.spread(path, before, after);
  }

  /** A whole part that came or went is told leaf by leaf, what cannot be taken apart as it is. */
  private spread(path: readonly string[], before: unknown, after: unknown): ChangeLine[] {
    const [was, now] = [partsOf(before), partsOf(after)];
    if (before === undefined && now && now.size > 0)
      return [...now].flatMap(([key, value]) => this.compare([...path, key], undefined, value));
    if (after === undefined && was && was.size > 0)
      return [...was].flatMap(([key, value]) => this.compare([...path, key], value, undefined));
    return [this.line(path, this.words(path, before, this.was), this.words(path, after, this.now), before, after)];
  }

  private line(
    path: readonly string[],
    before: PhraseValue | null,
    after: PhraseValue | null,
    was: unknown,
    now: unknown,
  ): ChangeLine {
    const what = path.map((key, i) => this.label(path, key, i)).filter((word) => word !== "");
    const told = { path, what: what.length > 0 ? joined(what, " · ") : ENTITY_KINDS[this.entity.kind].words };
    // Two things may have one name: then they are told as they are written.
    return isSaidAlike(before, after)
      ? { ...told, before: JSON.stringify(was) ?? null, after: JSON.stringify(now) ?? null }
      : { ...told, before, after };
  }

  private conditions(path: readonly string[], before: unknown, after: unknown): ChangeLine[] | null {
    const key = path.at(-1);
    if (key !== "when") return null;
    const words = (value: unknown, plan: Plan) =>
      isCondition(value) ? conditionWords(value, this.context(plan), savedOf(plan)) : null;
    const [was, now] = [words(before, this.was), words(after, this.now)];
    return isSaidAlike(was, now) ? null : [this.line(path, was, now, before, after)];
  }

  private context(plan: Plan) {
    const [market] = plan.markets;
    const currency = market?.currencies[0] ?? "EUR";
    return { zone: null, market: market?.id ?? "", currency, rates: ratesOf(plan) };
  }

  private label(path: readonly string[], key: string, i: number): PhraseValue {
    if (SILENT.has(key)) return path.length === i + 1 ? keyWords(key) : "";
    const around = path[i - 1] ?? "";
    const number = around === "steps" ? this.stepNumber(key) : null;
    if (number !== null) return phrase("step {number}", { number });
    const list = KEYED_BY_ID.has(around) ? REFERS_TO[around] : undefined;
    if (list) return nameIn(this.now, list, key) ?? nameIn(this.was, list, key) ?? key;
    if (/^#\d+$/.test(key)) return String(Number(key.slice(1)) + 1);
    return keyWords(key);
  }

  /** As people count them. */
  private stepNumber(id: string): number | null {
    if (this.entity.kind !== "offer") return null;
    const at = [...this.entity.body.steps].sort(byPosition).findIndex((step) => step.id === id);
    return at < 0 ? null : at + 1;
  }

  private words(path: readonly string[], value: unknown, plan: Plan): PhraseValue | null {
    if (value === undefined || value === null) return null;
    if (typeof value === "boolean") return value ? phrase("yes") : phrase("no");
    if (typeof value === "number") return String(value);
    const key = path.at(-1) ?? "";
    if (typeof value === "string") return value === "" ? phrase("nothing") : this.text(path, key, value, plan);
    if (Array.isArray(value)) {
      if (value.length === 0) return phrase("none");
      return value.every((one) => typeof one === "string" || typeof one === "number")
        ? joined(
            value.map((one) => this.text(path, key, String(one), plan)),
            ", ",
          )
        : JSON.stringify(value);
    }
    return JSON.stringify(value);
  }

  private text(path: readonly string[], key: string, text: string, plan: Plan): PhraseValue {
    const list = REFERS_TO[key];
    const named = list && nameIn(plan, list, text);
    if (named !== undefined) return named;
    const chosen = chosenWords(key, text);
    if (chosen) return chosen;
    const isAmount = path.some((one) => one === "byCurrency" || one === "byMarket" || one === "byZone");
    const minor = isAmount && exponentOf(key) !== undefined ? minorUnits(text, exponentOf(key) ?? 2) : null;
    return minor && "minor" in minor ? writtenMoney(minor.minor, key) : text;
  }
}

/** A key of a plan as people read it; the names of the plan's schema are messages too. @example keyWords("perShopper") // "per shopper" */
const keyWords = (key: string): PhraseValue =>
  /^[A-Za-z][A-Za-z-]*$/.test(key) && key !== key.toUpperCase() ? phrase(wordsOfKey(key)) : key;

const isSaidAlike = (before: PhraseValue | null, after: PhraseValue | null): boolean =>
  before === null || after === null ? before === after : speakValue(before, ENGLISH) === speakValue(after, ENGLISH);

const isCondition = (value: unknown): value is Condition =>
  typeof value === "object" && value !== null && "kind" in value && typeof value.kind === "string";

function nameIn(plan: Plan, list: List, id: string): string | undefined {
  const found = (plan[list] ?? []).find((one) => one.id === id);
  if (!found || !("name" in found)) return undefined;
  return typeof found.name === "string" ? found.name : (found.name.en ?? Object.values(found.name)[0]);
}

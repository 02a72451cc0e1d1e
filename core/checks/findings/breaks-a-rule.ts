import { phrase } from "../../phrases/phrase.ts";
import { entitiesOf, entityKey } from "../../plan/entities.ts";
import { savedOf } from "../../plan/plan.ts";
import { ruleProblems } from "../../plan/problems/rules.ts";
import { wordsOfKey } from "../../schema/key-words.ts";
import type { Check } from "../check.ts";

/** What edits and new releases are refused for, in a plan made before there was such a rule. */
export const breaksARule: Check = {
  code: "breaks-a-rule",
  severity: "wrong",
  *find({ plan, memory, madeOf }) {
    const saved = savedOf(plan);
    for (const entity of entitiesOf(plan)) {
      const broken = memory.broken.of(entityKey(entity), madeOf.entity(entity), () => ruleProblems(entity, saved));
      for (const { path, message } of broken)
        yield {
          sentence: phrase("A part of {kind} “{id}” {message}; nothing can be released until it is mended.", {
            kind: phrase(wordsOfKey(entity.kind)),
            id: entity.id,
            message,
          }),
          at: { kind: entity.kind, id: entity.id, path },
          witness: null,
        };
    }
  },
};

import type { Static } from "@sinclair/typebox";
import type { Pool } from "mysql2/promise";
import { TOTAL } from "../../core/evidence/order-facts.ts";
import { phrase } from "../../core/phrases/phrase.ts";
import { type Answer, jsonAnswer } from "../http/answer.ts";
import { problemAnswer } from "../http/problem-document.ts";
import type { AskEvidence } from "../orders/order-schema.ts";
import { orderOverview } from "./order-overview.ts";
import { orderSample } from "./order-sample.ts";
import { lookAtReplay, startReplay, stopReplay } from "./replay-jobs.ts";
import { rolledUp } from "./spread.ts";
import { tellGain } from "./told-gain.ts";
import { tellSpread } from "./told-spread.ts";

/** Answers what is asked of past orders; `{ due }` says how many days have to be rolled up before there is an answer. */
export async function answerEvidence(pool: Pool, asked: Static<typeof AskEvidence>): Promise<Answer> {
  switch (asked.do) {
    case "overview": {
      const rolled = await rolledUp(pool, TOTAL);
      return jsonAnswer("due" in rolled ? rolled : await orderOverview(pool, rolled.id));
    }
    case "spread": {
      const rolled = await rolledUp(pool, asked.counting);
      return jsonAnswer("due" in rolled ? rolled : await tellSpread(pool, rolled.id, asked));
    }
    case "gain": {
      const rolled = await rolledUp(pool, asked.counting);
      return jsonAnswer("due" in rolled ? rolled : await tellGain(pool, rolled.id, asked));
    }
    case "replay": {
      const started = await startReplay(pool, asked);
      return "job" in started
        ? jsonAnswer(started)
        : problemAnswer(422, phrase("The draft cannot be used as it is"), { problems: started.problems });
    }
    case "sample":
      return jsonAnswer(await orderSample(pool, asked.filter, asked.most));
    case "look": {
      const state = lookAtReplay(asked.job);
      return state ? jsonAnswer(state) : problemAnswer(404, phrase("There is no such replay any more"));
    }
    case "stop":
      stopReplay(asked.job);
      return jsonAnswer({});
  }
}

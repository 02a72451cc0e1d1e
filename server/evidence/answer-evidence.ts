import type { Pool } from "mysql2/promise";
import { TOTAL, type ValueCounting } from "../../core/evidence/order-facts.ts";
import { phrase } from "../../core/phrases/phrase.ts";
import { type Answer, jsonAnswer } from "../http/answer.ts";
import { problemAnswer } from "../http/problem-document.ts";
import type { AskEvidence } from "./evidence-schema.ts";
import { ordersOfReplay, ordersOfWorth } from "./list-orders.ts";
import { orderOverview } from "./order-overview.ts";
import { orderSample } from "./order-sample.ts";
import { lookAtReplay, startReplay, stopReplay } from "./replay-jobs.ts";
import { rolledUp } from "./roll-up.ts";
import { tellGain } from "./told-gain.ts";
import { tellBars, tellPeaks, tellSpread } from "./told-spread.ts";

/** Answers what is asked of past orders; `{ due }` says how many days have to be rolled up before there is an answer. */
export async function answerEvidence(pool: Pool, asked: AskEvidence): Promise<Answer> {
  const onceRolledUp = async (counting: ValueCounting, tell: (id: number) => Promise<object>): Promise<Answer> => {
    const rolled = await rolledUp(pool, counting);
    return jsonAnswer("due" in rolled ? rolled : await tell(rolled.id));
  };
  switch (asked.do) {
    case "overview":
      return onceRolledUp(TOTAL, (id) => orderOverview(pool, id));
    case "bars":
      return onceRolledUp(asked.counting, (id) => tellBars(pool, id, asked));
    case "peaks":
      return onceRolledUp(asked.counting, (id) => tellPeaks(pool, id, asked));
    case "spread":
      return onceRolledUp(asked.counting, (id) => tellSpread(pool, id, asked));
    case "gain":
      return onceRolledUp(asked.counting, (id) => tellGain(pool, id, asked));
    case "replay": {
      const started = await startReplay(pool, asked);
      return "job" in started
        ? jsonAnswer(started)
        : problemAnswer(422, phrase("The draft cannot be used as it is"), { problems: started.problems });
    }
    case "sample":
      return jsonAnswer(await orderSample(pool, asked.filter, asked.most));
    case "orders-worth":
      return onceRolledUp(asked.counting, (id) => ordersOfWorth(pool, id, asked));
    case "orders-replayed": {
      const found = await ordersOfReplay(pool, asked);
      return found ? jsonAnswer(found) : goneReplay();
    }
    case "look": {
      const state = lookAtReplay(asked.job);
      return state ? jsonAnswer(state) : goneReplay();
    }
    case "stop":
      stopReplay(asked.job);
      return jsonAnswer({});
  }
}

const goneReplay = () => problemAnswer(404, phrase("There is no such replay any more"));

import type { Share } from "../../../core/evidence/gain.ts";
import type { Reaction } from "../../../core/evidence/reaction.ts";
import { makersMoney } from "../../language/money.ts";
import { say } from "../../language/say.ts";

type Props = {
  reactions: readonly Reaction[];
  share: Share | null;
  /** Whether somebody has stated it. */
  isStated: boolean;
  currency: string;
};

/** Of how many shoppers a little below a goal it is known that they go for it, goal by goal; estimates come with what chance does to them. */
export const ReactionList = ({ reactions, share, isStated, currency }: Props) => (
  <section aria-label={say("How many shoppers go for a goal")}>
    {share && (
      <p>
        {isStated ? (
          say("{share} % of shoppers a little below a goal are taken to add enough: stated, a guess.", {
            share: shown(share.share),
          })
        ) : (
          <>
            <strong>{say("{share} %", { share: shown(share.share) })}</strong>{" "}
            {say(
              "of shoppers at most a fifth below a goal added enough to reach it ({low} to {high} %, nine times in ten): estimated from orders that lie above goals and are missing below.",
              { low: shown(share.low), high: shown(share.high) },
            )}{" "}
            {share.isGuess &&
              say("Those goals were for free delivery: that as many go for what is given here is a guess.")}
          </>
        )}
      </p>
    )}
    {reactions.length > 0 && (
      <details>
        <summary className="cursor-pointer text-[13px] text-quiet">{say("Goal by goal")}</summary>
        <ul className="text-[14px]">
          {reactions.map(({ goal, share: estimate, low, high, orders, weeks, by }) => (
            <li key={goal}>
              {say("{goal}: {estimate} % ({low} to {high} %), from {orders, number} orders near it in {weeks} weeks,", {
                goal: makersMoney(goal, currency),
                estimate: shown(estimate),
                low: shown(low),
                high: shown(high),
                orders,
                weeks,
              })}{" "}
              {by === "other-weeks"
                ? say("against weeks when no goal was near")
                : say("by the shape of the spread alone, since there are too few weeks without it")}
            </li>
          ))}
        </ul>
      </details>
    )}
  </section>
);

/** A share cannot be less than nothing, though what it is estimated by can. */
const shown = (share: number): string => String(Math.round(Math.min(1, Math.max(0, share)) * 100));

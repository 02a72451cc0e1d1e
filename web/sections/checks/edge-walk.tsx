import { useContext, useMemo } from "react";
import { pickText } from "../../../core/messages/locale.ts";
import type { Offer } from "../../../core/offers/offer.ts";
import { phrase } from "../../../core/phrases/phrase.ts";
import { rewardOptions } from "../../../core/rewards/reward.ts";
import { edgeWalk } from "../../../core/samples/boundary-samples.ts";
import type { CompiledPlan } from "../../../core/tariff/compile.ts";
import { makersMoney } from "../../language/money.ts";
import { say } from "../../language/say.ts";
import { FindingsContext } from "../../state/findings-context.tsx";

type Props = { compiled: CompiledPlan; offer: Offer; at: number };

const SIDES = { below: phrase("just below"), at: phrase("at"), above: phrase("just above") } as const;

/** Every edge of an offer with the cart just below, at and just above: what the shopper pays and reads. */
export function EdgeWalk({ compiled, offer, at }: Props) {
  const { show } = useContext(FindingsContext);
  const { rows, left } = useMemo(() => edgeWalk(compiled, offer, at), [compiled, offer, at]);
  const spoken = rows.map((row) => ({ ...row, edge: say(row.edge) }));
  const touched = new Set(offer.steps.flatMap(({ reward }) => rewardOptions(reward)));
  const nameOf = (id: string) => {
    const option = compiled.plan.options.find((one) => one.id === id);
    return option ? (pickText(option.name, "en", [])?.text ?? id) : id;
  };
  return (
    <>
      <div className="overflow-x-auto border border-base-300 bg-base-100">
        <table
          aria-label={say("Edges of {name}", { name: offer.name })}
          className="table table-sm text-[14px] [&_td]:align-top [&_th]:align-top [&_td]:text-[14px]"
        >
          <thead>
            <tr className="text-[13px] text-quiet">
              <th scope="col">{say("Edge")}</th>
              <th scope="col">{say("Cart")}</th>
              <th scope="col">{say("Pays for delivery")}</th>
              <th scope="col">{say("Reads")}</th>
              <th scope="col">
                <span className="sr-only">{say("Look")}</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {spoken.map(({ edge, side, request, seen }, i) => (
              <tr key={`${edge} ${side}`} className={spoken[i - 1]?.edge === edge ? "" : "border-t-2 border-base-300"}>
                <th scope="row" className="font-normal">
                  {spoken[i - 1]?.edge === edge ? <span className="sr-only">{edge}</span> : edge}
                </th>
                <td className="whitespace-nowrap">{say(SIDES[side])}</td>
                <td>
                  {Object.entries(seen?.options ?? {})
                    .filter(([id]) => touched.size === 0 || touched.has(id))
                    .map(([id, price]) => (
                      <span key={id} className="block whitespace-nowrap">
                        {nameOf(id)}{" "}
                        <strong className={price === 0 ? "text-primary" : ""}>
                          {price === null
                            ? say("cannot be had")
                            : price === 0
                              ? say("free")
                              : makersMoney(price, request.currency)}
                        </strong>
                      </span>
                    ))}
                </td>
                <td dir="auto">{seen?.messages.join(" · ") || say("nothing")}</td>
                <td>
                  <button type="button" className="link text-[13px]" onClick={() => show(request)}>
                    {say("Show me")}
                  </button>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {rows.length === 0 && (
        <p className="mt-2 text-quiet">
          {say("This offer has no edge: nothing about it hangs on an amount or a time.")}
        </p>
      )}
      {left.length > 0 && (
        <ul className="mt-2 text-[13px] text-quiet">
          {left.map(({ edge, why }) => (
            <li key={say(edge)}>{say("Not walked: {edge}, since {why}.", { edge, why })}</li>
          ))}
        </ul>
      )}
    </>
  );
}

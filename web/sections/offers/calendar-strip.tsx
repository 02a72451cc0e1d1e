import type { Market } from "../../../core/places/market.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import { byPosition } from "../../../core/schema/atoms.ts";
import { intervalsOf } from "../../../core/time/occurrences.ts";
import { say, sayValue } from "../../language/say.ts";
import { homeOf } from "./offer-home.ts";

type Props = { plan: Plan; market: Market | null; at: number; onSelect: (id: string) => void };

const DAY = 86_400_000;
const WEEKS = 6;

/** What runs when, over the six weeks around the moment that is looked at. */
export function CalendarStrip({ plan, market, at, onSelect }: Props) {
  const start = Math.floor(at / DAY) * DAY - 7 * DAY;
  const end = start + WEEKS * 7 * DAY;
  const share = (time: number) => (100 * (Math.min(end, Math.max(start, time)) - start)) / (end - start);
  const weeks = Array.from({ length: WEEKS }, (_, i) => start + i * 7 * DAY);
  const running = [...plan.offers].filter((offer) => offer.on).sort(byPosition);
  if (running.length === 0) return null;
  return (
    <section aria-label={say("What runs when")} className="mt-5 text-[13px]">
      <h2 className="mb-1 font-semibold">{say("What runs when")}</h2>
      <div className="grid grid-cols-[180px_minmax(0,1fr)] gap-x-3 border border-base-300 bg-base-100 p-3">
        <span />
        <div className="relative h-5 text-quiet">
          {weeks.map((week) => (
            <span key={week} className="absolute" style={{ left: `${share(week)}%` }}>
              {sayValue({ moment: week, options: { day: "numeric", month: "short", timeZone: "UTC" } })}
            </span>
          ))}
        </div>
        {running.map((offer) => {
          const timeZone = homeOf(plan, offer, market)?.timeZone ?? "UTC";
          const stretches = intervalsOf(offer.schedule ?? [{}], timeZone);
          const shown = stretches.filter(([from, until]) => until > start && from < end);
          return (
            <div key={offer.id} className="contents">
              <button
                type="button"
                className="cursor-pointer truncate py-0.5 text-left hover:underline"
                onClick={() => onSelect(offer.id)}
              >
                {offer.name}
              </button>
              <div className="relative border-l border-base-300">
                <span className="absolute inset-y-0 w-px bg-warning" style={{ left: `${share(at)}%` }} />
                {shown.map(([from, until]) => (
                  <span
                    key={from}
                    className={`absolute top-1.5 h-2.5 ${offer.schedule ? "bg-primary" : "bg-base-300"}`}
                    style={{ left: `${share(from)}%`, width: `${Math.max(0.5, share(until) - share(from))}%` }}
                  />
                ))}
                <span className="sr-only">
                  {offer.schedule
                    ? shown.length === 0
                      ? say("does not run in these weeks")
                      : say("runs in {count} stretches", { count: shown.length })
                    : say("runs all the time")}
                </span>
              </div>
            </div>
          );
        })}
      </div>
    </section>
  );
}

import { useQuery } from "@tanstack/react-query";
import type { CarrierBehaviour } from "../../../server/carriers/simulated.ts";
import { carrierList } from "../../state/server-queries.ts";

type Props = {
  /** Carriers that this quote has to do with. */
  asked: readonly string[];
  moods: Readonly<Record<string, CarrierBehaviour>>;
  asking: boolean;
  onMoods: (moods: Record<string, CarrierBehaviour>) => void;
};

const MOODS: readonly { mood: CarrierBehaviour; words: string }[] = [
  { mood: "well", words: "answers" },
  { mood: "slow", words: "is too slow" },
  { mood: "failing", words: "is down" },
];

const isMood = (value: string): value is CarrierBehaviour => MOODS.some(({ mood }) => mood === value);

/** How the simulated carriers behave, to see what shoppers get when a real one does. */
export function CarrierBehaviours({ asked, moods, asking, onMoods }: Props) {
  const { data } = useQuery(carrierList);
  if (asked.length === 0) return null;
  return (
    <div className="mt-2.5 grid gap-1 text-[13px] text-quiet">
      {asked.map((id) => {
        const name = data?.find((carrier) => carrier.id === id)?.name ?? id;
        return (
          <label key={id} className="flex items-center gap-1.5">
            Carrier {name}
            <select
              className="cursor-pointer border-b border-dotted border-quiet bg-transparent text-base-content"
              value={moods[id] ?? "well"}
              onChange={(event) => {
                const mood = event.target.value;
                if (isMood(mood)) onMoods({ ...moods, [id]: mood });
              }}
            >
              {MOODS.map(({ mood, words }) => (
                <option key={mood} value={mood}>
                  {words}
                </option>
              ))}
            </select>
            {asking && <span role="status">asking…</span>}
          </label>
        );
      })}
    </div>
  );
}

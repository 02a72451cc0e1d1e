import { useQuery } from "@tanstack/react-query";
import type { CarrierBehaviour } from "../../../server/carriers/simulated.ts";
import { SelectField } from "../../fields/select-field.tsx";
import { carrierList } from "../../state/server-queries.ts";

type Props = {
  /** Carriers that this quote has to do with. */
  asked: readonly string[];
  moods: Readonly<Record<string, CarrierBehaviour>>;
  asking: boolean;
  onMoods: (moods: Record<string, CarrierBehaviour>) => void;
};

const BEHAVIOURS: Readonly<Record<CarrierBehaviour, string>> = {
  well: "answers",
  slow: "is too slow",
  failing: "is down",
};

/** How the simulated carriers behave, to see what shoppers get when a real one does. */
export function CarrierBehaviours({ asked, moods, asking, onMoods }: Props) {
  const { data } = useQuery(carrierList);
  return (
    <div className="mt-2.5 grid gap-1 text-[13px] text-quiet">
      {asked.map((id) => {
        const name = data?.find((carrier) => carrier.id === id)?.name ?? id;
        return (
          <span key={id} className="flex items-center gap-1.5">
            Carrier {name}
            <SelectField
              label={`Carrier ${name}`}
              look="word"
              value={moods[id] ?? "well"}
              choices={BEHAVIOURS}
              onCommit={(mood) => onMoods({ ...moods, [id]: mood })}
            />
            {asking && <span role="status">asking…</span>}
          </span>
        );
      })}
    </div>
  );
}

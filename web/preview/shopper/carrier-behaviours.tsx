import { useQuery } from "@tanstack/react-query";
import { type Phrase, phrase } from "../../../core/phrases/phrase.ts";
import type { CarrierBehaviour } from "../../../server/carriers/simulated.ts";
import { SelectField } from "../../fields/select-field.tsx";
import { say } from "../../language/say.ts";
import { carrierList } from "../../state/server-queries.ts";

type Props = {
  /** Carriers that this quote has to do with. */
  asked: readonly string[];
  moods: Readonly<Record<string, CarrierBehaviour>>;
  asking: boolean;
  onMoods: (moods: Record<string, CarrierBehaviour>) => void;
};

const BEHAVIOURS: Readonly<Record<CarrierBehaviour, Phrase>> = {
  well: phrase("answers"),
  slow: phrase("is too slow"),
  failing: phrase("is down"),
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
            {say("Carrier {name}", { name })}
            <SelectField
              label={say("Carrier {name}", { name })}
              look="word"
              value={moods[id] ?? "well"}
              choices={BEHAVIOURS}
              onCommit={(mood) => onMoods({ ...moods, [id]: mood })}
            />
            {asking && <span role="status">{say("asking…")}</span>}
          </span>
        );
      })}
    </div>
  );
}

import X from "lucide-react/icons/x";
import type { ZoneDestination } from "../../../core/places/destination.ts";
import type { Zone } from "../../../core/places/market.ts";
import { destinationWords } from "../../../core/places/words.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import { byPosition } from "../../../core/schema/atoms.ts";
import { AddSelect } from "../../fields/add-select.tsx";
import { IconButton } from "../../fields/icon-button.tsx";
import { say } from "../../language/say.ts";
import { AddDestination } from "./add-destination.tsx";
import { Exceptions } from "./exceptions.tsx";

type Props = {
  plan: Plan;
  zone: Zone;
  nameOf: (code: string) => string;
  /** Zones as they shall be; several when a place moves from one to another. */
  onZones: (...zones: Zone[]) => void;
};

/** The places a zone claims: added by name, carved out, moved to another zone. */
export function DestinationEditor({ plan, zone, nameOf, onZones }: Props) {
  const set = (destinations: ZoneDestination[]) => onZones({ ...zone, destinations });
  const others = plan.zones.filter(({ id }) => id !== zone.id).sort(byPosition);
  const without = (index: number) => zone.destinations.filter((_, j) => j !== index);
  return (
    <div className="grid gap-3">
      <ul className="border border-base-300 bg-base-100">
        {zone.destinations.map((destination, i) => (
          <DestinationItem
            // biome-ignore lint/suspicious/noArrayIndexKey: places have no identity but their place in the list
            key={i}
            destination={destination}
            nameOf={nameOf}
            others={others}
            onDestination={(next) => set(zone.destinations.map((one, j) => (j === i ? next : one)))}
            onMove={(target) =>
              onZones(
                { ...zone, destinations: without(i) },
                { ...target, destinations: [...target.destinations, destination] },
              )
            }
            onRemove={() => set(without(i))}
          />
        ))}
        {zone.destinations.length === 0 && (
          <li className="px-3 py-2 text-quiet">{say("No place yet. Add a country, a region or postcodes below.")}</li>
        )}
      </ul>
      <AddDestination zone={zone} plan={plan} nameOf={nameOf} onAdd={(more) => set([...zone.destinations, ...more])} />
    </div>
  );
}

type ItemProps = {
  destination: ZoneDestination;
  nameOf: (code: string) => string;
  others: readonly Zone[];
  onDestination: (destination: ZoneDestination) => void;
  onMove: (target: Zone) => void;
  onRemove: () => void;
};

/** One place, what is left out of it, and what is done with the whole. */
function DestinationItem({ destination, nameOf, others, onDestination, onMove, onRemove }: ItemProps) {
  const words = say(destinationWords(destination, nameOf));
  return (
    <li className="border-b border-base-300 px-3 py-2 last:border-b-0">
      <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
        <span className="min-w-40 flex-1">{words}</span>
        <AddSelect
          label={say("Move {words} to another zone", { words })}
          shown={say("move to…")}
          look="word"
          choices={others.map(({ id, name }) => ({ value: id, words: name }))}
          onAdd={(to) => {
            const target = others.find(({ id }) => id === to);
            if (target) onMove(target);
          }}
        />
        <IconButton words={say("Remove {words}", { words })} onClick={onRemove}>
          <X size={14} aria-hidden />
        </IconButton>
      </div>
      <Exceptions destination={destination} nameOf={nameOf} onDestination={onDestination} />
    </li>
  );
}

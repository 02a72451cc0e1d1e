import { useState } from "react";
import type { Plan } from "../../../core/plan/plan.ts";
import { byPosition } from "../../../core/schema/atoms.ts";
import { AddSelect } from "../../fields/add-select.tsx";
import { say } from "../../language/say.ts";

type Props = {
  plan: Plan;
  name: string;
  zones: readonly string[];
  /** Zones that have a column already. */
  apart: ReadonlySet<string>;
  onApart: (zone: string) => void;
};

/** Gives a zone a column of its own. The zones are listed when they are asked for: there may be hundreds in every table. */
export function ApartFor({ plan, name, zones, apart, onApart }: Props) {
  const [isOpen, setIsOpen] = useState(false);
  if (zones.length < 2 || zones.every((id) => apart.has(id))) return null;
  const offered = () => plan.zones.filter(({ id }) => zones.includes(id) && !apart.has(id)).sort(byPosition);
  return (
    <p className="border-t border-base-200 px-2 text-[13px] text-quiet">
      {isOpen ? (
        <AddSelect
          label={say("Zone apart in {name}", { name })}
          shown={say("which zone?")}
          look="word"
          choices={offered().map((zone) => ({ value: zone.id, words: zone.name }))}
          onAdd={(id) => {
            onApart(id);
            setIsOpen(false);
          }}
        />
      ) : (
        <button type="button" className="min-h-6 cursor-pointer hover:underline" onClick={() => setIsOpen(true)}>
          {say("Other amounts in one zone")}
          <span className="sr-only"> {say("in {name}", { name })}</span>
        </button>
      )}
    </p>
  );
}

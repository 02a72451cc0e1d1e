import { useMemo } from "react";
import { useLocationProperty } from "wouter/use-browser-location";
import type { Plan } from "../../core/plan/plan.ts";
import type { AtWork } from "../../server/people/at-work.ts";
import { say } from "../language/say.ts";
import { type Section, sectionAt, sectionName } from "../names/sections.ts";
import { useAtWork } from "../state/use-at-work.ts";
import { useDebounced } from "../state/use-debounced.ts";
import { useDraft } from "../state/use-draft.ts";

/** Whoever only passes a section is not in it. */
const STAYS_MS = 1000;
const readThing = () => window.location.hash.slice(1);

/** Who else is at work and where: whoever has the same thing open is told apart, before there is a conflict. */
export function OthersAtWork({ section }: { section: Section }) {
  const thing = useLocationProperty(readThing);
  const place = useMemo(() => ({ section, thing }), [section, thing]);
  const others = useAtWork(useDebounced(place, STAYS_MS));
  if (others.length === 0) return null;
  const isHere = (one: AtWork) => thing !== "" && one.section === section && one.thing === thing;
  const here = [...new Set(others.filter(isHere).map(({ name }) => name))];
  return (
    <section aria-label={say("Others at work")} className="mt-4 grid gap-1 px-3 text-[13px] text-quiet">
      <h2 className="font-semibold">{say("Also here")}</h2>
      {here.length > 0 && (
        <p role="status" className="text-warning">
          {say("{names} {count, plural, one {has} other {have}} this open too", {
            names: here.join(", "),
            count: here.length,
          })}
        </p>
      )}
      <ul className="grid gap-1">
        {others
          .filter((one) => !isHere(one))
          .map((one) => (
            <li key={[one.name, one.section, one.thing].join(" ")}>
              <Where one={one} />
            </li>
          ))}
      </ul>
    </section>
  );
}

/** Where somebody is. @example "Ana in Offers: Free post abroad" */
function Where({ one: { name, section, thing } }: { one: AtWork }) {
  const { plan } = useDraft();
  const known = sectionAt(["", section].join("/"));
  const open = plan && nameIn(plan, thing);
  if (!known) return name;
  return open
    ? say("{name} in {section}: {open}", { name, section: sectionName(known), open })
    : say("{name} in {section}", { name, section: sectionName(known) });
}

/** What a thing is called that an address ends with. @example nameIn(plan, "zone/madeira") // "Madeira" */
function nameIn(plan: Plan, thing: string): string | undefined {
  const id = thing.slice(thing.lastIndexOf("/") + 1);
  const { offers, options, zones, markets, locations = [] } = plan;
  const found = [offers, options, zones, markets, locations].flat().find((one) => one.id === id);
  if (!found || !("name" in found)) return undefined;
  return typeof found.name === "string" ? found.name : Object.values(found.name)[0];
}

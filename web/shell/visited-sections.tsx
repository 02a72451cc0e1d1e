import { Activity, type ReactNode, Suspense, useState } from "react";
import { MovedContext } from "../fields/section-heading.tsx";
import { type Section, sectionName } from "../names/sections.ts";
import { FaultBoundary } from "./fault-boundary.tsx";

type Props = {
  section: Section;
  views: Readonly<Record<Section, ReactNode>>;
  /** What a section is drawn from: it is tried again when something of it changes. */
  watch: readonly unknown[];
};

/**
 * The section in sight, and out of sight those that were in sight before: they come back as they were left, with what is open
 * in them. None is loaded before it is wanted.
 */
export function VisitedSections({ section, views, watch }: Props) {
  const [visited, setVisited] = useState<readonly Section[]>([section]);
  if (!visited.includes(section)) setVisited([...visited, section]);
  return (
    <MovedContext value={visited.length > 1}>
      {visited.map((each) => (
        <Activity key={each} mode={each === section ? "visible" : "hidden"}>
          <FaultBoundary what={sectionName(each)} watch={watch}>
            <Suspense fallback={<p className="text-quiet">Loading…</p>}>{views[each]}</Suspense>
          </FaultBoundary>
        </Activity>
      ))}
    </MovedContext>
  );
}

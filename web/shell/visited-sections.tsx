import { Activity, Suspense, useDeferredValue, useState } from "react";
import { Loading } from "../fields/loading.tsx";
import { MovedContext } from "../fields/section-heading.tsx";
import { type Section, sectionName } from "../names/sections.ts";
import { FaultBoundary } from "./fault-boundary.tsx";
import { FirstVisit } from "./first-visit.tsx";
import { forgetFailed, SectionView } from "./section-view.tsx";

type Props = {
  section: Section;
  /** What a section is drawn from: it is tried again when something of it changes. */
  watch: readonly unknown[];
};

/**
 * The section in sight, and out of sight those that were in sight before: they come back as they were left, with what is open
 * in them. None is loaded before it is wanted; until it is here, the one before stays.
 */
export function VisitedSections({ section: wanted, watch }: Props) {
  const section = useDeferredValue(wanted);
  const [visited, setVisited] = useState<readonly Section[]>([section]);
  if (!visited.includes(section)) setVisited([...visited, section]);
  return (
    <div aria-busy={section !== wanted} className="transition-opacity delay-300 aria-busy:opacity-50">
      <MovedContext value={visited.length > 1}>
        <FirstVisit section={section} />
        <Suspense fallback={<Loading />}>
          {visited.map((each) => (
            <Activity key={each} mode={each === section ? "visible" : "hidden"}>
              <FaultBoundary what={sectionName(each)} watch={watch} onAgain={() => forgetFailed(each)}>
                <SectionView section={each} />
              </FaultBoundary>
            </Activity>
          ))}
        </Suspense>
      </MovedContext>
    </div>
  );
}

const SECTIONS = [
  { id: "places", name: "Places" },
  { id: "delivery", name: "Delivery" },
  { id: "offers", name: "Offers" },
  { id: "wording", name: "Wording" },
  { id: "checks", name: "Checks" },
  { id: "release", name: "Release" },
] as const;

export type Section = (typeof SECTIONS)[number]["id"];

export const sectionName = (section: Section): string => SECTIONS.find(({ id }) => id === section)?.name ?? section;

/** The sections in the order people work, with a count where something waits. */
export function Rail({ section, changes, findings }: { section: Section; changes: number; findings: number }) {
  return (
    <nav aria-label="Sections" className="w-24 shrink-0 border-r border-base-300 bg-base-100 py-3">
      <ul>
        {SECTIONS.map(({ id, name }) => (
          <li key={id}>
            <a
              href={`/${id}`}
              aria-current={id === section ? "page" : undefined}
              className="flex items-start gap-1 border-l-[3px] border-transparent py-2.5 pl-4 text-quiet hover:text-base-content aria-[current]:border-neutral aria-[current]:bg-base-200 aria-[current]:font-semibold aria-[current]:text-base-content"
            >
              {name}
              {id === "checks" && findings > 0 && (
                <span className="text-xs font-bold text-warning">
                  {findings}
                  <span className="sr-only"> findings</span>
                </span>
              )}
              {id === "release" && changes > 0 && (
                <span className="text-xs font-bold text-warning">
                  {changes}
                  <span className="sr-only"> not released</span>
                </span>
              )}
            </a>
          </li>
        ))}
      </ul>
    </nav>
  );
}

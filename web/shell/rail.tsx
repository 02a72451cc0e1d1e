import { Link } from "wouter";
import { SECTIONS, type Section } from "../names/sections.ts";
import { loadSection } from "./section-view.tsx";

type Props = {
  section: Section;
  /** Where each section was left, as addresses. */
  left: Readonly<Partial<Record<Section, string>>>;
  changes: number;
  findings: number;
};

/** The sections in the order people work, with a count where something waits. */
export function Rail({ section, left, changes, findings }: Props) {
  return (
    <nav aria-label="Sections" className="w-24 shrink-0 print:hidden border-r border-base-300 bg-base-100 py-3">
      <ul>
        {SECTIONS.map(({ id, name }) => (
          <li key={id}>
            <Link
              href={(id !== section && left[id]) || `/${id}`}
              aria-current={id === section ? "page" : undefined}
              // Its script is on its way before the finger is off, and before the section in sight is looked over once more.
              onPointerDown={() => void loadSection(id)}
              onClick={() => void loadSection(id)}
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
            </Link>
          </li>
        ))}
      </ul>
    </nav>
  );
}

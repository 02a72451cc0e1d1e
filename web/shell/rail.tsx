import type { LucideIcon } from "lucide-react";
import ChartColumn from "lucide-react/icons/chart-column";
import Flag from "lucide-react/icons/flag";
import ListChecks from "lucide-react/icons/list-checks";
import MapPin from "lucide-react/icons/map-pin";
import MessageSquareText from "lucide-react/icons/message-square-text";
import Send from "lucide-react/icons/send";
import Table2 from "lucide-react/icons/table-2";
import Truck from "lucide-react/icons/truck";
import { lazy, Suspense } from "react";
import { Link } from "wouter";
import type { Finding } from "../../core/checks/finding.ts";
import { say } from "../language/say.ts";
import { sectionOf } from "../names/finding-section.ts";
import { type DailySection, SECTIONS, type Section } from "../names/sections.ts";
import { loadSection } from "./section-view.tsx";
import { StoreMenu } from "./store-menu.tsx";

// Nothing of the page waits for it.
const OthersAtWork = lazy(() => import("./others-at-work.tsx").then((module) => ({ default: module.OthersAtWork })));

type Props = {
  section: Section;
  /** Where each section was left, as addresses. */
  left: Readonly<Partial<Record<Section, string>>>;
  /** What the store is called; null before there is one. */
  store: string | null;
  changes: number;
  /** What is wrong or risky, and nobody has accepted. */
  findings: readonly Finding[];
};

const ICONS: Readonly<Record<DailySection, LucideIcon>> = {
  overview: Table2,
  places: MapPin,
  delivery: Truck,
  offers: Flag,
  wording: MessageSquareText,
  evidence: ChartColumn,
  checks: ListChecks,
  release: Send,
};

/** The sections in the order people work, with a count where something waits. */
export function Rail({ section, left, store, changes, findings }: Props) {
  const inSection = new Map<Section, number>();
  for (const finding of findings) inSection.set(sectionOf(finding), (inSection.get(sectionOf(finding)) ?? 0) + 1);
  return (
    <div className="w-28 shrink-0 overflow-y-auto border-r border-base-300 bg-base-100 py-3 print:hidden">
      <div className="mb-2 px-3 break-words">
        <StoreMenu name={store ?? say("Menu")} />
      </div>
      <nav aria-label={say("Sections")}>
        <ul>
          {SECTIONS.map(({ id, name }) => {
            const Icon = ICONS[id];
            const mark = markOf(id, { changes, findings: findings.length, here: inSection.get(id) ?? 0 });
            return (
              <li key={id}>
                <Link
                  href={(id !== section && left[id]) || `/${id}`}
                  aria-current={id === section ? "page" : undefined}
                  // Its script is on its way before the finger is off, and before the section in sight is looked over once more.
                  onPointerDown={() => void loadSection(id)}
                  onClick={() => void loadSection(id)}
                  className="flex items-center gap-1.5 border-l-[3px] border-transparent py-2.5 pl-3 text-quiet hover:text-base-content aria-[current]:border-neutral aria-[current]:bg-base-200 aria-[current]:font-semibold aria-[current]:text-base-content"
                >
                  <Icon size={15} aria-hidden className="shrink-0" />
                  {say(name)}
                  {mark && (
                    <span className="text-[13px] font-bold text-warning" title={mark.words}>
                      <span aria-hidden>{mark.shown}</span>
                      <span className="sr-only">{mark.words}</span>
                    </span>
                  )}
                </Link>
              </li>
            );
          })}
        </ul>
      </nav>
      <Suspense>
        <OthersAtWork section={section} />
      </Suspense>
    </div>
  );
}

type Waiting = { changes: number; findings: number; here: number };

/** What waits in a section: how much of it in Checks and Release, whether at all elsewhere. */
function markOf(section: Section, { changes, findings, here }: Waiting): { shown: string; words: string } | null {
  if (section === "release")
    return changes > 0
      ? {
          shown: String(changes),
          words: say("{count, plural, one {One change is not released} other {# changes are not released}}", {
            count: changes,
          }),
        }
      : null;
  const words = (count: number) => say("{count, plural, one {one finding} other {# findings}}", { count });
  if (section === "checks") return findings > 0 ? { shown: String(findings), words: words(findings) } : null;
  return here > 0 ? { shown: "•", words: words(here) } : null;
}

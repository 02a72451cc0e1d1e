import { navigate, useLocationProperty } from "wouter/use-browser-location";
import { type Section, sectionAt } from "../names/sections.ts";

/** What each section had selected when it was last in sight. */
const kept = new Map<Section, string | null>();

function readIn(section: Section): string | null {
  if (sectionAt(window.location.pathname) === section)
    kept.set(section, decodeURIComponent(window.location.hash.slice(1)) || null);
  return kept.get(section) ?? null;
}

/**
 * What is selected in a section, kept in the address, so that other screens can lead here. It stays while another is shown, and what
 * shows it is not drawn again for going there.
 */
export function useSelected(section: Section): [string | null, (id: string) => void] {
  return [useLocationProperty(() => readIn(section)), select];
}

const select = (id: string) => navigate(`#${encodeURIComponent(id)}`, { replace: true });

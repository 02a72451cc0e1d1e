import { type ComponentType, memo, use } from "react";
import type { Section } from "../names/sections.ts";

/** Each section is a script of its own, loaded when it is first wanted. */
const SCRIPTS: Readonly<Record<Section, () => Promise<ComponentType>>> = {
  overview: async () => (await import("../sections/overview/overview-view.tsx")).OverviewView,
  places: async () => (await import("../sections/places/places-view.tsx")).PlacesView,
  delivery: async () => (await import("../sections/delivery/delivery-view.tsx")).DeliveryView,
  offers: async () => (await import("../sections/offers/offers-view.tsx")).OffersView,
  wording: async () => (await import("../sections/wording/wording-view.tsx")).WordingView,
  evidence: async () => (await import("../sections/evidence/evidence-view.tsx")).EvidenceView,
  checks: async () => (await import("../sections/checks/checks-view.tsx")).ChecksView,
  account: async () => (await import("../sections/account/account-view.tsx")).AccountView,
  people: async () => (await import("../sections/people/people-view.tsx")).PeopleView,
  keys: async () => (await import("../sections/keys/keys-view.tsx")).KeysView,
  log: async () => (await import("../sections/log/log-view.tsx")).LogView,
  settings: async () => (await import("../sections/settings/settings-view.tsx")).SettingsView,
  release: async () => (await import("../sections/release/release-view.tsx")).ReleaseView,
};

const loaded = new Map<Section, ComponentType>();
const loading = new Map<Section, Promise<ComponentType>>();

/** Begins to load a section's script. */
export function loadSection(section: Section): Promise<ComponentType> {
  const known = loading.get(section);
  if (known) return known;
  const begun = SCRIPTS[section]();
  loading.set(section, begun);
  // Whether it failed is told where it is drawn.
  begun.then((view) => loaded.set(section, view)).catch(() => {});
  return begun;
}

/** Lets a script that failed be loaded once more. */
export function forgetFailed(section: Section): void {
  if (!loaded.has(section)) loading.delete(section);
}

/**
 * A section. It suspends only while its script is on its way: React's lazy would put a placeholder, a third of a second long,
 * even where the script is here.
 */
export const SectionView = memo(function SectionView({ section }: { section: Section }) {
  const View = loaded.get(section) ?? use(loadSection(section));
  return <View />;
});

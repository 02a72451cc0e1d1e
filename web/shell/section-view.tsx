import { type ComponentType, use } from "react";
import type { Section } from "../names/sections.ts";

/** Each section is a script of its own, loaded when it is first wanted. */
const SCRIPTS: Readonly<Record<Section, () => Promise<ComponentType>>> = {
  places: async () => (await import("../sections/places/places-view.tsx")).PlacesView,
  delivery: async () => (await import("../sections/delivery/delivery-view.tsx")).DeliveryView,
  offers: async () => (await import("../sections/offers/offers-view.tsx")).OffersView,
  wording: async () => (await import("../sections/wording/wording-view.tsx")).WordingView,
  checks: async () => (await import("../sections/checks/checks-view.tsx")).ChecksView,
  release: async () => (await import("../sections/release/release-view.tsx")).ReleaseView,
};

const loaded = new Map<Section, ComponentType>();
const loading = new Map<Section, Promise<ComponentType>>();

/** Begins to load a section's script. One that failed is tried again the next time. */
export function loadSection(section: Section): Promise<ComponentType> {
  const known = loading.get(section);
  if (known) return known;
  const begun = SCRIPTS[section]();
  loading.set(section, begun);
  begun.then(
    (view) => loaded.set(section, view),
    () => loading.delete(section),
  );
  return begun;
}

/** A section. Suspends only while its script is on its way: React's lazy would show a placeholder, for a third of a second, even where it is here. */
export function SectionView({ section }: { section: Section }) {
  const View = loaded.get(section) ?? use(loadSection(section));
  return <View />;
}

import { useEffect, useState } from "react";
import { useLocationProperty } from "wouter/use-browser-location";
import { say } from "../language/say.ts";
import { type Section, sectionAt, sectionName } from "../names/sections.ts";

const readAddress = () => window.location.pathname + window.location.hash;
const readSection = () => sectionAt(window.location.pathname);

/**
 * The section that the address asks for, and where the others were left.
 *
 * @param first the section of the page that was loaded
 */
export function useSection(first: Section): { section: Section; left: Readonly<Partial<Record<Section, string>>> } {
  const section = useLocationProperty(readSection) ?? first;
  const address = useLocationProperty(readAddress);
  const [left, setLeft] = useState<Readonly<Partial<Record<Section, string>>>>({});
  if (left[section] !== address) setLeft({ ...left, [section]: address });
  useEffect(() => {
    document.title = say("{section} · Summant", { section: sectionName(section) });
  }, [section]);
  return { section, left };
}

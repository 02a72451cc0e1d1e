import { useState } from "react";
import { navigate, useLocationProperty } from "wouter/use-browser-location";
import { type Section, sectionAt } from "../names/sections.ts";

const read = () => decodeURIComponent(window.location.hash.slice(1)) || null;
const readSection = () => sectionAt(window.location.pathname);

/** What is selected in a section, kept in the address, so that other screens can lead here. It stays while another is shown. */
export function useSelected(section: Section): [string | null, (id: string) => void] {
  const inSight = useLocationProperty(readSection) === section;
  const asked = useLocationProperty(read);
  const [kept, setKept] = useState(asked);
  if (inSight && asked !== kept) setKept(asked);
  return [inSight ? asked : kept, select];
}

const select = (id: string) => navigate(`#${encodeURIComponent(id)}`, { replace: true });

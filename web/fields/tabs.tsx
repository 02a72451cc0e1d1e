import type { ReactNode } from "react";
import { type Shown, shown } from "../language/say.ts";

type Props<Id extends string> = {
  name: string;
  tabs: readonly { readonly id: Id; readonly name: Shown }[];
  current: Id | null;
  onTab: (id: Id) => void;
  /** What stands at the end of the row. */
  children?: ReactNode;
};

/** The parts of a section, side by side. */
export function Tabs<Id extends string>({ name, tabs, current, onTab, children }: Props<Id>) {
  return (
    <nav aria-label={name} className="mb-3 flex flex-wrap items-center gap-4 border-b border-base-300">
      {tabs.map((tab) => (
        <button
          key={tab.id}
          type="button"
          aria-current={current === tab.id ? "page" : undefined}
          className="cursor-pointer border-b-2 border-transparent pb-1 text-quiet aria-[current]:border-neutral aria-[current]:font-semibold aria-[current]:text-base-content"
          onClick={() => onTab(tab.id)}
        >
          {shown(tab.name)}
        </button>
      ))}
      {children}
    </nav>
  );
}

import { createContext, type ReactNode, use, useEffect, useRef } from "react";

/** Whether one has gone from section to section since the page was loaded. */
export const MovedContext = createContext(false);

/** The heading of a section. Who comes here from another section is taken to it, as a page that is loaded begins at its top. */
export function SectionHeading({ className = "", children }: { className?: string; children: ReactNode }) {
  const heading = useRef<HTMLHeadingElement>(null);
  const moved = use(MovedContext);
  useEffect(() => {
    if (moved) heading.current?.focus({ preventScroll: true });
  }, [moved]);
  return (
    <h1 ref={heading} tabIndex={-1} className={`outline-none ${className}`}>
      {children}
    </h1>
  );
}

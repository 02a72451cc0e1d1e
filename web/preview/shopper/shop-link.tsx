import type { ReactNode } from "react";

/** A link of the shop: it shows where it leads, and leads nowhere from here. */
export const ShopLink = ({ to, children }: { to: string; children: ReactNode }) => (
  <a className="underline" href={to} title={to} onClick={(event) => event.preventDefault()}>
    {children}
  </a>
);

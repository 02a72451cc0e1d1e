import type { Forgotten } from "../shop/shop.ts";

/** What the keeper tells a front, and hands it. */
export type ToFront =
  /** Comes with a connection, which is the front's from then on. */
  | { readonly connection: number }
  /** Another front has written something: forget what may hold no more. */
  | { readonly forget: Forgotten; readonly number: number }
  /** What this front told is done by all. */
  | { readonly done: number };

/** What a front tells its keeper. */
export type FromFront =
  /** It knows what to answer. */
  | { readonly ready: true }
  /** It has the connection. */
  | { readonly taken: number }
  /** It has written something: have the others forget. */
  | { readonly tell: Forgotten; readonly number: number }
  /** It has forgotten. */
  | { readonly done: number };

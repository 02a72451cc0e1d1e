/** What people may do: each may what those before it may. */
export const ROLES = ["look", "edit", "release", "run"] as const;
export type Role = (typeof ROLES)[number];

/** Somebody who has signed in. */
export type Person = {
  readonly id: number;
  readonly name: string;
  readonly role: Role;
  /** Of the session that they work in. */
  readonly session: number;
  /** They have to set up a second factor before anything else. */
  readonly owesSecondFactor: boolean;
};

export const isRole = (text: string): text is Role => ROLES.some((role) => role === text);

/** @example mayAs("release", "edit") // true */
export const mayAs = (role: Role, wanted: Role): boolean => ROLES.indexOf(role) >= ROLES.indexOf(wanted);

/** What names are compared by. @example nameKey(" Ana  Reis ") // "ana reis" */
export const nameKey = (name: string): string => name.normalize("NFKC").trim().replaceAll(/\s+/g, " ").toLowerCase();

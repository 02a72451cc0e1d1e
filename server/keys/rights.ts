/** What a key may be allowed, each by itself. */
export const RIGHTS = ["quote", "claim", "orders", "shoppers"] as const;
export type Right = (typeof RIGHTS)[number];

export const isRight = (text: string): text is Right => RIGHTS.some((right) => right === text);

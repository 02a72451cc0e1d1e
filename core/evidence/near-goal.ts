/** A little below a goal: from this part of it on. */
export const BELOW = 0.8;

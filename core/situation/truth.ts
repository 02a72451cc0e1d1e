/** True, false, or null: not known. Unknown never grants anything. */
export type Truth = boolean | null;

/** False if any is false, else unknown if any is unknown. */
export function allOf(truths: readonly Truth[]): Truth {
  let result: Truth = true;
  for (const truth of truths) {
    if (truth === false) return false;
    if (truth === null) result = null;
  }
  return result;
}

/** True if any is true, else unknown if any is unknown. */
export function anyOf(truths: readonly Truth[]): Truth {
  let result: Truth = false;
  for (const truth of truths) {
    if (truth === true) return true;
    if (truth === null) result = null;
  }
  return result;
}

export const not = (truth: Truth): Truth => (truth === null ? null : !truth);

/**
 * A copy with an optional part set, or left out when there is none: a plan says only what it means.
 *
 * @example setOptional({ a: 1, b: 2 }, "b", undefined) // { a: 1 }
 */
export function setOptional<T extends object, Key extends keyof T>(whole: T, key: Key, part: T[Key] | undefined): T {
  const copy = { ...whole };
  if (part === undefined) Reflect.deleteProperty(copy, key);
  else copy[key] = part;
  return copy;
}

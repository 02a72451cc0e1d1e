/** What a value is made of, by key; a list by the ids of its parts, else by their places. Null where it is one thing. */
export function partsOf(value: unknown): ReadonlyMap<string, unknown> | null {
  if (Array.isArray(value)) {
    if (!value.every((one) => typeof one === "object" && one !== null)) return null;
    const ids = value.map((one: object) => ("id" in one && typeof one.id === "string" ? one.id : null));
    const areIds = ids.every((id) => id !== null) && new Set(ids).size === ids.length;
    return new Map(value.map((one, i) => [areIds ? (ids[i] ?? "") : `#${i}`, one]));
  }
  return typeof value === "object" && value !== null ? new Map(Object.entries(value)) : null;
}

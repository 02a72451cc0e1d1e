/** A key of a plan as words. @example wordsOfKey("perShopper") // "per shopper" */
export const wordsOfKey = (key: string): string =>
  key.replaceAll(/([a-z])([A-Z])/g, (_, a: string, b: string) => `${a} ${b.toLowerCase()}`).replaceAll("-", " ");

import { theReader } from "./say.ts";

/** Something made once for whoever is spoken to, since making it takes long. @example const countries = byReader(() => inOrder(CODES)) */
export function byReader<T>(make: () => T): () => T {
  let made: { readonly locale: string; readonly value: T } | null = null;
  return () => {
    const { locale } = theReader();
    if (made?.locale !== locale) made = { locale, value: make() };
    return made.value;
  };
}

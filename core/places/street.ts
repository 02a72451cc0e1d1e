/**
 * Street lines in one form, so that words are found however they are written: without accents, dots or capitals, words apart.
 *
 * @example plainStreet("P.O. Box 12, Évora") // " po box 12 evora "
 */
export const plainStreet = (text: string): string =>
  ` ${text
    .normalize("NFKD")
    .replaceAll(/\p{M}/gu, "")
    .toLowerCase()
    .replaceAll(/(?<=\p{L})\.(?=\p{L})/gu, "")
    .replaceAll(/[^\p{L}\p{N}]+/gu, " ")
    .trim()} `;

/** Whether words in a row stand in street lines, both in that form. @example streetHas(plainStreet("Apartado 7"), plainStreet("apartado")) // true */
export const streetHas = (street: string, words: string): boolean => words.trim() !== "" && street.includes(words);

/** How a country writes its postcodes: where the separator stands once letters and digits are in order. */
type NationalForm = { readonly cut: (bare: string) => number; readonly separator: string; readonly keep?: number };

const after = (count: number, separator: string): NationalForm => ({ cut: () => count, separator });

/** Countries whose codes have a separator, or a long form of which `keep` characters say where a parcel goes. */
const FORMS: Readonly<Record<string, NationalForm>> = {
  BR: after(5, "-"),
  CA: after(3, " "),
  CZ: after(3, " "),
  GB: { cut: (bare) => bare.length - 3, separator: " " },
  GR: after(3, " "),
  IE: after(3, " "),
  JP: after(3, "-"),
  NL: after(4, " "),
  PL: after(2, "-"),
  PT: after(4, "-"),
  SE: after(3, " "),
  SK: after(3, " "),
  US: { cut: () => 5, separator: "-", keep: 5 },
};

/**
 * What whole codes look like: 9 is a digit, A a letter. From memory; held against another package's expressions by test.
 * Countries that are not here take any letters and digits.
 */
const SHAPES: Readonly<Record<string, readonly string[]>> = {
  AT: ["9999"],
  AU: ["9999"],
  BE: ["9999"],
  BG: ["9999"],
  BR: ["99999999"],
  CA: ["A9A9A9"],
  CH: ["9999"],
  CY: ["9999"],
  CZ: ["99999"],
  DE: ["99999"],
  DK: ["9999"],
  EE: ["99999"],
  ES: ["99999"],
  FI: ["99999"],
  FR: ["99999"],
  GB: ["A99AA", "A999AA", "AA99AA", "AA999AA", "A9A9AA", "AA9A9AA"],
  GR: ["99999"],
  HR: ["99999"],
  HU: ["9999"],
  IT: ["99999"],
  JP: ["9999999"],
  LT: ["99999"],
  LU: ["9999"],
  LV: ["9999"],
  NL: ["9999AA"],
  NO: ["9999"],
  NZ: ["9999"],
  PL: ["99999"],
  PT: ["9999999"],
  RO: ["999999"],
  SE: ["99999"],
  SI: ["9999"],
  SK: ["99999"],
  US: ["99999", "999999999"],
};

/** The sign of a country that people write before its codes, besides ISO's own (UN distinguishing signs; from memory). */
const SIGNS: Readonly<Record<string, string>> = {
  AT: "A",
  BE: "B",
  DE: "D",
  ES: "E",
  FI: "FIN|AX",
  FR: "F",
  HU: "H",
  IT: "I",
  LI: "FL",
  LU: "L",
  NO: "N",
  PT: "P",
  SE: "S",
  US: "USA",
};
/** Where codes themselves begin like that. */
const KEEPS_SIGN: ReadonlySet<string> = new Set(["IM", "KY"]);

/** A code or pattern without its country before it: "D-10115", "PT 9000", "GB-SW1A 1AA". */
function withoutCountry(country: string, text: string): string {
  if (KEEPS_SIGN.has(country) || !/^[A-Z]{2}$/.test(country)) return text;
  const before = new RegExp(
    `^(?:${[country, SIGNS[country]].filter(Boolean).join("|")})(?:[ -]*(?=[0-9])|[ -]+(?=[A-Z]))`,
  );
  return text.replace(before, "");
}

/** Capitals and plain digits, whatever width they were typed in. */
const plainText = (country: string, typed: string): string =>
  withoutCountry(
    country,
    typed
      .normalize("NFKC")
      .trim()
      .toUpperCase()
      .replaceAll(/\p{Pd}/gu, "-"),
  );

/**
 * A postcode the way its country writes it: capitals, the national separator and nothing else. Long forms are cut to
 * what says where a parcel goes. What is too short to be whole stays as its first part.
 *
 * @example normalPostcode("PT", "9000 123") // "9000-123"
 * @example normalPostcode("GB", "iv23rt") // "IV2 3RT"
 * @example normalPostcode("US", "99501-1234") // "99501"
 * @example normalPostcode("DE", "D-10115") // "10115"
 */
export function normalPostcode(country: string, typed: string): string {
  return separated(country, plainText(country, typed).replaceAll(/[^A-Z0-9]/g, ""));
}

function separated(country: string, bare: string): string {
  const form = FORMS[country];
  const shapes = SHAPES[country];
  if (!form || (shapes && !shapes.some((shape) => shape.length === bare.length))) return bare;
  if (form.keep !== undefined) return bare.slice(0, form.keep);
  const cut = form.cut(bare);
  return cut > 0 && cut < bare.length ? `${bare.slice(0, cut)}${form.separator}${bare.slice(cut)}` : bare;
}

/**
 * Whether a code, written the way its country does, can be one: whole, or the first part that a separator sets off ("9000",
 * "IV1"). Where nothing is known of a country's codes, anything can.
 *
 * @example canBePostcode("PT", "9000") // true; "90" is still being typed, "hello" is none
 */
export function canBePostcode(country: string, normal: string): boolean {
  const bare = withoutSeparator(normal);
  if (bare === "") return false;
  const shapes = SHAPES[country];
  if (!shapes) return true;
  return shapes.some((shape) => {
    if (fits(shape, bare)) return true;
    const form = FORMS[country];
    return form !== undefined && form.keep === undefined && fits(shape.slice(0, form.cut(shape)), bare);
  });
}

const fits = (shape: string, bare: string): boolean =>
  shape.length === bare.length && [...shape].every((kind, i) => (kind === "9" ? /[0-9]/ : /[A-Z]/).test(bare[i] ?? ""));

/** A pattern made ready: what it matches, and how narrow it is. */
export type PostcodePattern = {
  readonly text: string;
  readonly exact: boolean;
  /** The leading characters that every match has; more of them is narrower. */
  readonly lead: string;
  /** How many codes a range spans; infinite for wildcards. Fewer is narrower. */
  readonly width: number;
  readonly matches: (postcode: string) => boolean;
};

/**
 * Reads a postcode pattern of a country; undefined when it is none.
 *
 * - `3000-001` that code, however it is typed
 * - `90*` codes that begin so; `?` any one character; `IV?? *` both
 * - `9000..9399` a range over the first part, or over whole codes when both ends are whole: digits by number
 *   (`AB31..AB38`: the same letters, the number between)
 */
export function postcodePattern(country: string, text: string): PostcodePattern | undefined {
  const wanted = plainText(country, text);
  const ends = wanted.split("..");
  if (ends.length > 2 || ends.some((end) => !/^[A-Z0-9]/.test(end))) return undefined;
  if (ends.length === 2) return /[^A-Z0-9 .-]/.test(wanted) ? undefined : rangePattern(country, wanted);
  if (/[^A-Z0-9 ?*-]/.test(wanted)) return undefined;
  if (!/[*?]/.test(wanted)) {
    const code = normalPostcode(country, wanted);
    return { text, exact: true, lead: code, width: 1, matches: (postcode) => postcode === code };
  }
  // Separators say nothing inside wildcards: compared without them on both sides.
  const bare = withoutSeparator(wanted);
  return {
    text,
    exact: false,
    lead: /^[A-Z0-9]*/.exec(bare)?.[0] ?? "",
    width: Number.POSITIVE_INFINITY,
    matches: (postcode) => matchesWildcards(bare, withoutSeparator(postcode)),
  };
}

/**
 * Whether a code fits a pattern of `?` and `*`. Only the last star is ever gone back to, so that the steps are at most the two
 * lengths multiplied, however many stars there are.
 */
function matchesWildcards(pattern: string, code: string): boolean {
  let [at, star, resume] = [0, -1, 0];
  for (let i = 0; i < code.length; ) {
    const wanted = pattern[at];
    if (wanted === "*") {
      star = at;
      resume = i;
      at += 1;
    } else if (wanted === "?" || wanted === code[i]) {
      at += 1;
      i += 1;
    } else if (star >= 0) {
      at = star + 1;
      resume += 1;
      i = resume;
    } else return false;
  }
  return [...pattern.slice(at)].every((left) => left === "*");
}

const withoutSeparator = (postcode: string) => postcode.replaceAll(/[ -]/g, "");

/** No country's codes are longer, and a number of so many digits is still exact. */
const MOST_DIGITS = 15;

/** Letters, then digits: the part of a code that a range can run over. */
const RUN = /^([A-Z]*)(\d+)$/;

function rangePattern(country: string, wanted: string): PostcodePattern | undefined {
  const [from = "", to = ""] = wanted.split("..").map((end) => normalPostcode(country, end));
  const whole = /[ -]/.test(from) && /[ -]/.test(to);
  const low = RUN.exec(withoutSeparator(from));
  const high = RUN.exec(withoutSeparator(to));
  if (!low || !high || low[1] !== high[1]) return undefined;
  const [, letters = "", lowDigits = ""] = low;
  const [, , highDigits = ""] = high;
  if (Math.max(lowDigits.length, highDigits.length) > MOST_DIGITS) return undefined;
  const [least, most] = [Number(lowDigits), Number(highDigits)];
  // Codes of digits alone have a fixed length; behind letters the number may have any ("AB3", "AB31").
  const length = letters === "" ? lowDigits.length : undefined;
  if (least > most || (length !== undefined && highDigits.length !== length)) return undefined;
  return {
    text: wanted,
    exact: false,
    lead: letters + commonLead(lowDigits, highDigits),
    width: most - least + 1,
    matches: (postcode) => {
      const part = whole ? withoutSeparator(postcode) : (postcode.split(/[ -]/)[0] ?? "");
      const run = RUN.exec(length === undefined ? part : part.slice(0, length));
      if (!run || run[1] !== letters || (length !== undefined && run[2]?.length !== length)) return false;
      const number = Number(run[2]);
      return least <= number && number <= most;
    },
  };
}

/** What two numbers of the same length begin with; behind letters, numbers of different lengths share nothing. */
function commonLead(low: string, high: string): string {
  if (low.length !== high.length) return "";
  let count = 0;
  while (count < low.length && low[count] === high[count]) count += 1;
  return low.slice(0, count);
}

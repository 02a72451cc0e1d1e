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

/** Shorter than this, what was typed is the first part of a code only ("9000", "IV1"). */
const WHOLE: Readonly<Record<string, number>> = {
  BR: 8,
  CA: 6,
  CZ: 5,
  GB: 5,
  GR: 5,
  IE: 7,
  JP: 7,
  NL: 6,
  PL: 5,
  PT: 7,
  SE: 5,
  SK: 5,
  US: 5,
};

/**
 * A postcode the way its country writes it: capitals, the national separator and nothing else. Long forms are cut to
 * what says where a parcel goes. What is too short to be whole stays as its first part.
 *
 * @example normalPostcode("PT", "9000 123") // "9000-123"
 * @example normalPostcode("GB", "iv23rt") // "IV2 3RT"
 * @example normalPostcode("US", "99501-1234") // "99501"
 */
export function normalPostcode(country: string, typed: string): string {
  const bare = typed.toUpperCase().replaceAll(/[^A-Z0-9]/g, "");
  const form = FORMS[country];
  if (!form || bare.length < (WHOLE[country] ?? 0)) return bare;
  if (form.keep !== undefined) return bare.slice(0, form.keep);
  const cut = form.cut(bare);
  return cut > 0 && cut < bare.length ? `${bare.slice(0, cut)}${form.separator}${bare.slice(cut)}` : bare;
}

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
  const wanted = text.trim().toUpperCase();
  if (!/^[A-Z0-9][A-Z0-9 -]*(\.\.[A-Z0-9][A-Z0-9 -]*|[A-Z0-9 ?*-]*)$/.test(wanted)) return undefined;
  if (wanted.includes("..")) return rangePattern(country, wanted);
  if (!/[*?]/.test(wanted)) {
    const code = normalPostcode(country, wanted);
    return { text, exact: true, lead: code, width: 1, matches: (postcode) => postcode === code };
  }
  // Separators say nothing inside wildcards: compared without them on both sides.
  const bare = wanted.replaceAll(/[ -]/g, "");
  const expression = new RegExp(`^${bare.replaceAll("?", "[A-Z0-9]").replaceAll("*", "[A-Z0-9]*")}$`);
  return {
    text,
    exact: false,
    lead: /^[A-Z0-9]*/.exec(bare)?.[0] ?? "",
    width: Number.POSITIVE_INFINITY,
    matches: (postcode) => expression.test(withoutSeparator(postcode)),
  };
}

const withoutSeparator = (postcode: string) => postcode.replaceAll(/[ -]/g, "");

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

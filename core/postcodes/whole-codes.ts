/** Whole codes of several national lengths, so that one of them lies in whatever a zone leaves over. */
const PLAIN_CODES = ["1000001", "2000002", "3000003", "4500004", "5500005", "6500006", "7500007", "8500008", "9700009"];
const LETTERED: Readonly<Record<string, readonly string[]>> = {
  GB: ["SW1A 1AA", "M1 1AE", "B33 8TH", "EH1 1AA", "CF10 1AA"],
  CA: ["K1A 0B1", "V5K 0A1"],
  IE: ["D01 F5P2", "T12 X2Y3"],
  NL: ["1012 AB", "3511 CD"],
};
const LENGTHS: Readonly<Record<string, number>> = {
  PT: 7,
  JP: 7,
  BR: 8,
  AT: 4,
  BE: 4,
  CH: 4,
  DK: 4,
  NO: 4,
  LU: 4,
  HU: 4,
  CY: 4,
  SI: 4,
  BG: 4,
  LV: 4,
  AU: 4,
  NZ: 4,
};

/** Whole codes of a country. */
export function codesOf(country: string): readonly string[] {
  const lettered = LETTERED[country];
  if (lettered) return lettered;
  return PLAIN_CODES.map((code) => code.padEnd(8, "0").slice(0, LENGTHS[country] ?? 5));
}

/** Codes that a pattern matches, and its neighbours. */
export function codesAround(pattern: string): string[] {
  const [from = "", to] = pattern
    .toUpperCase()
    .split("..")
    .map((end) => end.trim());
  if (to !== undefined) {
    const steps = (text: string, by: number) => {
      const [, lead = "", digits = ""] = /^(.*?)(\d+)$/.exec(text) ?? [];
      const next = Number(digits) + by;
      return digits === "" || next < 0 ? text : lead + String(next).padStart(digits.length, "0");
    };
    return [from, to, steps(from, -1), steps(to, 1)].map(whole);
  }
  const filled = from.replaceAll("?", "1").replaceAll("*", "1");
  return [
    filled,
    from.replaceAll("?", "A").replaceAll("*", ""),
    from.replaceAll("*", "1 1AA"),
    from.replaceAll("*", "001"),
  ].map(whole);
}

/** A first part made a whole code, as long codes have it. */
const whole = (code: string): string =>
  /^\d{4}$/.test(code)
    ? `${code}-001`
    : /^[A-Z]{1,2}\d{1,2}[A-Z]?$/.test(code)
      ? `${code} 1AA`
      : /^\d{3}$/.test(code)
        ? `${code}01`
        : code;

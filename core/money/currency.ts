/**
 * Minor-unit exponents of the active currencies of ISO 4217 (list one).
 *
 * Formatters do not always follow the standard: ICU shows 0 digits for some currencies whose ISO exponent is 2 or 3
 * (for example IQD, LBP, PKR). Money here always follows ISO; `currency.test.ts` lists where a formatter differs.
 */
const CODES_BY_EXPONENT = {
  0: "BIF CLP DJF GNF ISK JPY KMF KRW PYG RWF UGX UYI VND VUV XAF XOF XPF",
  2: `AED AFN ALL AMD ANG AOA ARS AUD AWG AZN BAM BBD BDT BGN BMD BND BOB BOV BRL BSD BTN BWP BYN BZD CAD CDF CHE
    CHF CHW CNY COP COU CRC CUC CUP CVE CZK DKK DOP DZD EGP ERN ETB EUR FJD FKP GBP GEL GHS GIP GMD GTQ GYD HKD
    HNL HTG HUF IDR ILS INR IRR JMD KES KGS KHR KPW KYD KZT LAK LBP LKR LRD LSL MAD MDL MGA MKD MMK MNT MOP MRU
    MUR MVR MWK MXN MXV MYR MZN NAD NGN NIO NOK NPR NZD PAB PEN PGK PHP PKR PLN QAR RON RSD RUB SAR SBD SCR SDG
    SEK SGD SHP SLE SOS SRD SSP STN SVC SYP SZL THB TJS TMT TOP TRY TTD TWD TZS UAH USD USN UYU UZS VED VES WST
    XCD YER ZAR ZMW ZWG`,
  3: "BHD IQD JOD KWD LYD OMR TND",
  4: "CLF UYW",
} as const;

export type Exponent = 0 | 2 | 3 | 4;

const EXPONENTS = new Map<string, Exponent>([
  ...CODES_BY_EXPONENT[0].split(" ").map((code): [string, Exponent] => [code, 0]),
  ...CODES_BY_EXPONENT[2].split(/\s+/).map((code): [string, Exponent] => [code, 2]),
  ...CODES_BY_EXPONENT[3].split(" ").map((code): [string, Exponent] => [code, 3]),
  ...CODES_BY_EXPONENT[4].split(" ").map((code): [string, Exponent] => [code, 4]),
]);

/**
 * Number of minor-unit digits of a currency by ISO 4217, or undefined when the code is not an active currency.
 *
 * @example exponentOf("KWD") // 3
 */
export function exponentOf(code: string): Exponent | undefined {
  return EXPONENTS.get(code);
}

/** All active ISO 4217 codes that money can be held in, sorted. */
export function currencyCodes(): string[] {
  return [...EXPONENTS.keys()].sort();
}

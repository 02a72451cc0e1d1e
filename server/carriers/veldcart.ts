import type { RateCard } from "./simulated.ts";

/** An invented air service to the rest of the world; it charges in dollars and takes its time to answer. */
export const VELDCART: RateCard = {
  id: "veldcart",
  name: "Veldcart",
  currency: "USD",
  delay: 220,
  accounts: { like: /^VC \d{6}$/, percent: 91 },
  zoneOf: ({ country, region, postcode }) => {
    if (country === "US")
      return region === "US-AK" || region === "US-HI" || /^(995|996|997|998|999|967|968)/.test(postcode ?? "")
        ? "far"
        : "atlantic";
    if (country === "JP" || country === "KW") return "asia";
    return country === "PT" ? null : "far";
  },
  services: [
    {
      id: "air",
      name: "Air",
      heaviest: 20_000,
      prices: {
        atlantic: { first: 2150, further: 620 },
        asia: { first: 2680, further: 810 },
        far: { first: 3390, further: 1040 },
      },
    },
    {
      id: "air-document",
      name: "Air document",
      heaviest: 500,
      prices: { atlantic: { first: 1480, further: 0 }, asia: { first: 1790, further: 0 } },
    },
  ],
};

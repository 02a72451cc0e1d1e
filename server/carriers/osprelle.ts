import type { RateCard } from "./simulated.ts";

const ISLANDS = /^9\d{3}/;
const NEAR = new Set(["ES", "FR", "BE", "NL", "LU", "DE", "IT", "AT"]);
const EUROPE = new Set(["CY", "EE", "FI", "GR", "HR", "IE", "LT", "LV", "MT", "SI", "SK", "GB"]);

/** An invented parcel service around Portugal and the rest of Europe; it charges in euro. */
export const OSPRELLE: RateCard = {
  id: "osprelle",
  name: "Osprelle",
  currency: "EUR",
  delay: 60,
  accounts: { like: /^OS-\d{4}$/, percent: 88 },
  zoneOf: ({ country, region, postcode }) => {
    if (country === "PT")
      return region === "PT-20" || region === "PT-30" || ISLANDS.test(postcode ?? "") ? "islands" : "home";
    return NEAR.has(country) ? "near" : EUROPE.has(country) ? "europe" : null;
  },
  services: [
    {
      id: "parcel",
      name: "Parcel",
      heaviest: 30_000,
      prices: {
        home: { first: 415, further: 45 },
        islands: { first: 890, further: 180 },
        near: { first: 980, further: 120 },
        europe: { first: 1340, further: 190 },
      },
    },
    { id: "morning", name: "Morning", heaviest: 15_000, prices: { home: { first: 870, further: 90 } } },
  ],
};

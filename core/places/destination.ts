import { phrase } from "../phrases/phrase.ts";
import { postcodePattern } from "../postcodes/postcode.ts";
import { CountryCode, closed, RegionCode } from "../schema/atoms.ts";
import { type Problem, pointer } from "../schema/problem.ts";
import { type Static, Type } from "../schema/type.ts";

const Patterns = Type.Array(Type.String({ minLength: 1, maxLength: 32 }), {
  minItems: 1,
  maxItems: 5000,
  description: "3000-001, 90*, IV?? *, 9000..9399",
});
const Regions = Type.Array(RegionCode, { minItems: 1, maxItems: 500 });

/** What a zone claims: a country or some of its postcodes, a region, or whatever no other zone claims. */
export const ZoneDestination = Type.Union(
  [
    Type.Object(
      {
        country: CountryCode,
        postcodes: Type.Optional(Patterns),
        exceptRegions: Type.Optional(Regions),
        exceptPostcodes: Type.Optional(Patterns),
      },
      closed,
    ),
    Type.Object({ region: RegionCode, exceptPostcodes: Type.Optional(Patterns) }, closed),
    Type.Object(
      {
        restOfWorld: Type.Literal(true),
        exceptCountries: Type.Optional(Type.Array(CountryCode, { minItems: 1, maxItems: 300 })),
      },
      closed,
    ),
  ],
  { title: "ZoneDestination" },
);
export type ZoneDestination = Static<typeof ZoneDestination>;

/** Patterns that cannot be read, and regions excepted from a country they do not lie in. */
export function destinationProblems(destination: ZoneDestination, path: string): Problem[] {
  if ("restOfWorld" in destination) return [];
  const country = "country" in destination ? destination.country : destination.region.slice(0, 2);
  const unreadable = (patterns: readonly string[] | undefined, key: string): Problem[] =>
    (patterns ?? []).flatMap((text, i) =>
      postcodePattern(country, text)
        ? []
        : [
            {
              path: `${path}${pointer(key, i)}`,
              message: phrase('"{text}" is no postcode, pattern or range', { text }),
            },
          ],
    );
  const foreign = ("country" in destination ? (destination.exceptRegions ?? []) : []).flatMap((region, i) =>
    region.startsWith(`${country}-`)
      ? []
      : [
          {
            path: `${path}${pointer("exceptRegions", i)}`,
            message: phrase("{region} does not lie in {country}", { region, country }),
          },
        ],
  );
  return [
    ...("country" in destination ? unreadable(destination.postcodes, "postcodes") : []),
    ...unreadable(destination.exceptPostcodes, "exceptPostcodes"),
    ...foreign,
  ];
}

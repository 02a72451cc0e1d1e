import { expect, it } from "vitest";
import { compareHundred, HUNDREDS } from "./drawn-answers.ts";

/** All of them take a quarter of an hour: `npm run test:answers`. */
const all = process.env.SUMMANT_ALL_ANSWERS === "1";
const AN_HOUR = 3_600_000;

it(
  "answers drawn requests as it did before it was made quicker",
  () => {
    const compared = (all ? HUNDREDS : HUNDREDS.slice(0, 6)).map((hundred) =>
      compareHundred(hundred, all ? Number.POSITIVE_INFINITY : 5),
    );
    const sum = (what: "quotes" | "climbs" | "otherwise" | "gaveUp") =>
      compared.reduce((total, one) => total + one[what], 0);
    console.log(
      `answers kept: ${sum("quotes")} quotes, ${sum("climbs")} climbs compared; ${sum("otherwise")} climbs are cut otherwise, or were not as quotes, and are now, ${sum("gaveUp")} quotes had been given up on`,
    );
    expect(compared.flatMap(({ differ }) => differ)).toEqual([]);
    expect(sum("quotes")).toBeGreaterThan(compared.length * 90);
  },
  AN_HOUR,
);

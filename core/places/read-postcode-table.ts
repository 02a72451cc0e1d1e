import { type Phrase, phrase } from "../phrases/phrase.ts";
import { canBePostcode, normalPostcode } from "../postcodes/postcode.ts";
import type { Coordinates } from "../quantities/coordinates.ts";
import { distanceBetween } from "../quantities/distance.ts";
import { MOST_POSTCODES, type PostcodeTable } from "./postcode-table.ts";

/** Which postcodes of a file are kept: of one country, so many metres around a place. */
export type WantedPostcodes = { readonly country: string; readonly at: Coordinates; readonly within: number };

/** What a file holds besides the postcodes that are kept: nothing of it is left out unsaid. */
export type PostcodesRead = {
  readonly table: PostcodeTable;
  /** Rows of other countries, and of places farther away. */
  readonly elsewhere: number;
  readonly farther: number;
  /** Rows whose postcode or position could not be read, and the first few of them. */
  readonly unreadable: number;
  readonly examples: readonly Phrase[];
};

/** Takes the rows of a file one after the other, as it is read, so that files of a whole country need no memory. */
export type PostcodeReader = {
  readonly take: (cells: readonly string[]) => void;
  /** @returns problems where it cannot be used at all */
  readonly done: () => PostcodesRead | { readonly problem: Phrase };
};

const MOST_EXAMPLES = 3;

/** What columns are called in common open files, capitals and signs apart. */
const CALLED = {
  postcode: "postcode postalcode zip zipcode zcta geoid pcds pcd plz codepostal codigopostal cp cap cep".split(" "),
  country: "country countrycode iso iso2 pays pais".split(" "),
  latitude: "latitude lat intptlat".split(" "),
  longitude: "longitude long lon lng intptlong".split(" "),
  both: "geopoint geopoint2d coordinates coordonneesgeographiques latlong latlon position".split(" "),
} as const;

type Columns = {
  readonly postcode: number;
  readonly country: number;
  readonly latitude: number;
  readonly longitude: number;
  readonly both: number;
};

/** The open layout without a header: country, postcode, place, six of its regions, latitude, longitude, accuracy. */
const HEADLESS: Columns = { country: 0, postcode: 1, latitude: 9, longitude: 10, both: -1 };

/**
 * Reads the rows of a file of postcodes with positions. Columns are known by common names, or by the open layout of twelve
 * columns that has none. A postcode of several rows lies in their middle.
 *
 * @example
 * const reader = postcodeReader({ country: "PT", at: [41.15, -8.61], within: 10_000 });
 * reader.take(["Postcode", "Latitude", "Longitude"]); reader.take(["4000-123", "41.1486", "-8.6109"]);
 * reader.done() // { table: { "4000-123": [41.1486, -8.6109] }, elsewhere: 0, farther: 0, unreadable: 0, examples: [] }
 */
export function postcodeReader({ country, at, within }: WantedPostcodes): PostcodeReader {
  const sums = new Map<string, { latitude: number; longitude: number; rows: number }>();
  const examples: Phrase[] = [];
  let columns: Columns | null = null;
  let missing: Phrase | null = phrase("The file is empty.");
  let row = 0;
  const counts = { elsewhere: 0, farther: 0, unreadable: 0 };
  const note = (why: Phrase) => {
    counts.unreadable += 1;
    if (examples.length < MOST_EXAMPLES) examples.push(phrase("row {row}: {why}", { row, why }));
  };
  const takeRow = (cells: readonly string[], { postcode, country: home, latitude, longitude, both }: Columns) => {
    const of = home < 0 ? country : (cells[home] ?? "").trim().toUpperCase();
    if (/^[A-Z]{2}$/.test(of) && of !== country) {
      counts.elsewhere += 1;
      return;
    }
    const typed = cells[postcode] ?? "";
    const code = normalPostcode(country, typed);
    if (!canBePostcode(country, code))
      return note(phrase("“{typed}” is no postcode of {country}", { typed: typed.slice(0, 20), country }));
    const [north, east] = both < 0 ? [cells[latitude], cells[longitude]] : (cells[both] ?? "").split(/[,;] ?/);
    const found = coordinatesOf(north, east);
    if (!found) return note(phrase("no latitude and longitude of {code}", { code }));
    if (distanceBetween(at, found) > within) {
      counts.farther += 1;
      return;
    }
    const sum = sums.get(code) ?? { latitude: 0, longitude: 0, rows: 0 };
    sums.set(code, { latitude: sum.latitude + found[0], longitude: sum.longitude + found[1], rows: sum.rows + 1 });
  };
  return {
    take: (cells) => {
      row += 1;
      if (columns) return takeRow(cells, columns);
      if (row > 1) return;
      const read = columnsOf(cells);
      missing = "message" in read ? read : null;
      if ("message" in read) return;
      columns = read;
      if (read === HEADLESS) takeRow(cells, read);
    },
    done: () => {
      if (missing !== null) return { problem: missing };
      if (sums.size > MOST_POSTCODES)
        return {
          problem: phrase("{count} postcodes lie so near, {most} at most can be kept: choose a shorter way.", {
            count: sums.size,
            most: MOST_POSTCODES,
          }),
        };
      const middles = [...sums].map(([code, { latitude, longitude, rows }]): [string, Coordinates] => [
        code,
        [fine(latitude / rows), fine(longitude / rows)],
      ]);
      return { table: Object.fromEntries(middles.sort(([a], [b]) => (a < b ? -1 : 1))), ...counts, examples };
    },
  };
}

/** To a metre or so. */
const fine = (degrees: number) => Math.round(degrees * 1e5) / 1e5;

/** The columns by the names in a first row, by the layout that has none, or which one is missing. */
function columnsOf(cells: readonly string[]): Columns | Phrase {
  if (/^[A-Z]{2}$/.test(cells[0] ?? "") && coordinatesOf(cells[9], cells[10])) return HEADLESS;
  const names = cells.map((cell) =>
    cell
      .normalize("NFD")
      .toLowerCase()
      .replaceAll(/[^a-z0-9]/g, ""),
  );
  const at = (column: keyof typeof CALLED) => {
    const called: readonly string[] = CALLED[column];
    return names.findIndex((name) => called.includes(name));
  };
  const found = {
    ...{ postcode: at("postcode"), country: at("country") },
    ...{ latitude: at("latitude"), longitude: at("longitude"), both: at("both") },
  };
  if (found.postcode < 0)
    return phrase("No column of postcodes: it is called {postcode} or the like.", {
      postcode: CALLED.postcode.slice(0, 4).join(", "),
    });
  if (found.both >= 0 && (found.latitude < 0 || found.longitude < 0)) return found;
  if (found.latitude < 0 || found.longitude < 0) return phrase("No columns called latitude and longitude.");
  return { ...found, both: -1 };
}

/** Degrees, with a point or a comma in them; null where they are none. */
function coordinatesOf(north: string | undefined, east: string | undefined): Coordinates | null {
  const [latitude, longitude] = [degrees(north), degrees(east)];
  return Math.abs(latitude) <= 90 && Math.abs(longitude) <= 180 ? [latitude, longitude] : null;
}

const degrees = (text: string | undefined) =>
  /^[+-]?\d{1,3}([.,]\d+)?$/.test(text?.trim() ?? "") ? Number(text?.trim().replace(",", ".")) : Number.NaN;

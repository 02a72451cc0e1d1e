import Trash2 from "lucide-react/icons/trash-2";
import { use, useState } from "react";
import { joined } from "../../../core/phrases/phrase.ts";
import type { Location } from "../../../core/places/location.ts";
import type { PostcodeTable } from "../../../core/places/postcode-table.ts";
import { type PostcodesRead, postcodeReader } from "../../../core/places/read-postcode-table.ts";
import { normalPostcode } from "../../../core/postcodes/postcode.ts";
import { distanceBetween } from "../../../core/quantities/distance.ts";
import { type Distance, metres } from "../../../core/quantities/quantity.ts";
import { FileField } from "../../fields/file-field.tsx";
import { IconButton } from "../../fields/icon-button.tsx";
import { DISTANCE_UNITS, QuantityField } from "../../fields/quantity-field.tsx";
import { isOnePostcodeOf } from "../../fields/rules.ts";
import { TextField } from "../../fields/text-field.tsx";
import { UnitsContext } from "../../fields/units-context.ts";
import { say } from "../../language/say.ts";
import { distanceWords } from "../../names/distance-words.ts";
import { FIRST_UNITS } from "../../names/units.ts";
import { CoordinatesField } from "./coordinates-field.tsx";

type Props = { location: Location; onTable: (table: PostcodeTable | undefined) => void };

/** More would fill the screen; the others are found by their beginning. */
const MOST_ROWS = 8;

/** Where postcodes around a location lie, so that a typed postcode says how far away it is. */
export function PostcodeTableEditor({ location, onTable }: Props) {
  const { postcodeTable: table = {}, country } = location;
  const [beginning, setBeginning] = useState("");
  const codes = Object.keys(table);
  const wanted = normalPostcode(country, beginning);
  const found = codes.filter((code) => code.startsWith(wanted));
  const system = use(UnitsContext);
  const put = (code: string, at: Location["at"]) => onTable({ ...table, [code]: at });
  const remove = (code: string) => {
    const { [code]: _, ...others } = table;
    onTable(Object.keys(others).length === 0 ? undefined : others);
  };
  return (
    <section aria-label={say("How far postcodes are")} className="grid gap-2 border-t border-base-300 pt-3">
      <h3 className="font-semibold">{say("How far postcodes are")}</h3>
      <p className="text-quiet">
        {codes.length === 0
          ? say(
              "How far an address is from here cannot be told by its postcode: it is known only where the shop sends a position. A file of postcodes with latitude and longitude says it for both.",
            )
          : say(
              "{count, plural, one {One postcode is} other {# postcodes are}} known, as the crow flies from here; of others it cannot be told.",
              { count: codes.length },
            )}
      </p>
      <PostcodeFile location={location} onTable={onTable} />
      {codes.length > MOST_ROWS && (
        <label className="flex items-center gap-2">
          {say("Postcodes that begin with")}
          <input
            className="input input-sm w-28"
            value={beginning}
            maxLength={16}
            onChange={(event) => setBeginning(event.target.value)}
          />
        </label>
      )}
      {found.length > 0 && (
        <ul className="grid gap-1">
          {found.slice(0, MOST_ROWS).map((code) => {
            const at = table[code];
            return (
              at && (
                <li key={code} className="flex flex-wrap items-end gap-2">
                  <CoordinatesField
                    label={say("Where {code} lies", { code })}
                    at={at}
                    leaf="location/postcodeTable/*"
                    onAt={(next) => put(code, next)}
                  />
                  <span className="pb-1.5 text-quiet">
                    {distanceWords(distanceBetween(location.at, at), FIRST_UNITS[system].way)}
                  </span>
                  <IconButton words={say("Remove {code}", { code })} onClick={() => remove(code)}>
                    <Trash2 size={14} aria-hidden />
                  </IconButton>
                </li>
              )
            );
          })}
        </ul>
      )}
      {found.length > MOST_ROWS && (
        <p className="text-[13px] text-quiet">{say("and {count} more", { count: found.length - MOST_ROWS })}</p>
      )}
      <div className="flex flex-wrap items-end gap-3">
        <TextField
          label={say("Add a postcode")}
          className="w-32"
          value={undefined}
          leaf="location/postcode"
          rule={isOnePostcodeOf(country)}
          onCommit={(typed) => put(normalPostcode(country, typed), location.at)}
        />
        {codes.length > 0 && (
          <button type="button" className="btn btn-ghost btn-sm" onClick={() => onTable(undefined)}>
            {say("Remove all of them")}
          </button>
        )}
      </div>
    </section>
  );
}

const FIRST_WAY = { km: "50", mi: "30" } as const;

/** Reads a file of postcodes with positions; those around the location are kept. */
function PostcodeFile({ location, onTable }: Props) {
  const unit = FIRST_UNITS[use(UnitsContext)].way;
  const [within, setWithin] = useState<Distance>({
    value: FIRST_WAY[unit],
    unit,
  });
  const [outcome, setOutcome] = useState<PostcodesRead | { problem: string } | "reading" | null>(null);
  const read = async (file: File) => {
    setOutcome("reading");
    const result = await postcodesIn(file, location, metres(within));
    setOutcome(result);
    if ("table" in result && Object.keys(result.table).length > 0) onTable(result.table);
  };
  return (
    <div className="grid gap-2">
      <div className="flex flex-wrap items-end gap-3">
        <QuantityField
          label={say("Postcodes of up to")}
          quantity={within}
          units={DISTANCE_UNITS}
          onQuantity={setWithin}
        />
        <span className="pb-1.5">{say("from here,")}</span>
        <FileField
          label={say("from a CSV file")}
          accept=".csv,.txt,.tsv,text/csv,text/plain"
          disabled={outcome === "reading"}
          onFile={(file) => void read(file)}
        />
      </div>
      <p role="status" className="text-[13px]">
        {outcome === "reading" && say("Reading…")}
        {outcome !== null && outcome !== "reading" && "table" in outcome && outcomeWords(outcome)}
      </p>
      {outcome !== null && outcome !== "reading" && "problem" in outcome && (
        <p role="alert" className="text-[13px] text-warning">
          {say("Nothing was taken. {problem}", { problem: outcome.problem })}
        </p>
      )}
    </div>
  );
}

/** @example "1204 taken, 310 rows farther away, one row that cannot be read (row 17: no latitude and longitude of 4000-001)" */
function outcomeWords({ table, farther, elsewhere, unreadable, examples }: PostcodesRead): string {
  const taken = Object.keys(table).length;
  return [
    taken === 0 ? say("None lies so near: nothing was taken") : say("{taken} taken", { taken }),
    ...(farther > 0 ? [say("{rows} farther away", { rows: rows(farther) })] : []),
    ...(elsewhere > 0 ? [say("{rows} of other countries", { rows: rows(elsewhere) })] : []),
    ...(unreadable > 0
      ? [say("{rows} that cannot be read ({examples})", { rows: rows(unreadable), examples: joined(examples, "; ") })]
      : []),
  ].join(", ");
}

const rows = (count: number) => (count === 1 ? say("one row") : say("{count} rows", { count }));

/** Row by row: files of whole countries are larger than what a page should hold. */
async function postcodesIn(
  file: File,
  { country, at }: Location,
  within: number,
): Promise<PostcodesRead | { problem: string }> {
  const { default: Papa } = await import("papaparse");
  const reader = postcodeReader({ country, at, within });
  return new Promise((resolve) => {
    Papa.parse<string[]>(file, {
      skipEmptyLines: true,
      step: ({ data }) => reader.take(data),
      complete: () => {
        const read = reader.done();
        resolve("problem" in read ? { problem: say(read.problem) } : read);
      },
      error: ({ message }) => resolve({ problem: message }),
    });
  });
}

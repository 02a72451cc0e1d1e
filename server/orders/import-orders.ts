import { group } from "d3-array";
import type { Pool, RowDataPacket } from "mysql2/promise";
import { type Phrase, phrase } from "../../core/phrases/phrase.ts";
import { readJson } from "../validation/read-json.ts";
import { checkOrderIn } from "./check-order.ts";
import { type Deliverers, deliverersOf } from "./deliverers.ts";
import type { OrderIn } from "./order-in.ts";
import { type Fault, type Layout, layoutOf, orderFromRows, orderOfRow } from "./orders-csv.ts";
import { compareOrders, orderProblems, type Written, writeOrders } from "./write-orders.ts";

interface HeaderRow extends RowDataPacket {
  body: string;
}
interface NumberRow extends RowDataPacket {
  number: string;
}
interface StagedRow extends RowDataPacket {
  position: number;
  number: string;
  body: string;
  fault: string | null;
}
interface FaultRow extends RowDataPacket {
  fault: string;
}
interface CountRow extends RowDataPacket {
  faulty: number;
}

/** Rows of one statement, and orders that are looked at together. */
const ROWS = 1000;
const ORDERS = 500;

/** What the rows of a file are: cells under a header, or lines of JSON. */
type Form = { readonly layout: Layout } | { readonly json: true };

type Staged = readonly [position: number, number: string | null, body: string | null, faults: readonly Fault[]];

async function stage(pool: Pool, importId: string, form: Form, rows: readonly Staged[]): Promise<void> {
  const values = [[0, null, JSON.stringify(form), []] as const, ...rows].map(([position, number, body, faults]) => [
    ...[importId, position, number, body],
    faults.length > 0 ? JSON.stringify(faults) : null,
    new Date(),
  ]);
  for (let start = 0; start < values.length; start += ROWS)
    await pool.query("REPLACE INTO order_imports (import, position, number, body, fault, begun_at) VALUES ?", [
      values.slice(start, start + ROWS),
    ]);
}

/**
 * Keeps rows of a file aside; sent twice, they are kept once.
 *
 * @param first the row of the file that the first of these is
 * @returns the faults of a header that no row could be read by; what is wrong with rows is kept with them
 */
export async function stageRows(
  pool: Pool,
  importId: string,
  { header, first, rows }: { header: readonly string[]; first: number; rows: readonly (readonly string[])[] },
): Promise<Fault[]> {
  const found = layoutOf(header);
  if ("faults" in found) return found.faults;
  const { layout } = found;
  const staged = rows.flatMap((cells, i): Staged[] => {
    const row = first + i;
    const about = orderOfRow(layout, { row, cells });
    if (!about) return [];
    const { order, fault } = about;
    return [[row, order, JSON.stringify(cells), fault ? [fault] : []]];
  });
  await stage(pool, importId, { layout }, staged);
  return [];
}

/** The same of a file with an order as JSON on each line. */
export async function stageLines(
  pool: Pool,
  importId: string,
  { first, lines }: { first: number; lines: readonly string[] },
): Promise<void> {
  const staged = lines.flatMap((text, i): Staged[] => {
    if (text.trim() === "") return [];
    const row = first + i;
    const json = readJson(text);
    const checked = "problems" in json ? json : checkOrderIn(json.value);
    if ("value" in checked) return [[row, checked.value.order, text, []]];
    const faults = checked.problems.map(({ path, message }) => ({ row, message: at(path, message) }));
    return [[row, null, null, faults]];
  });
  await stage(pool, importId, { json: true }, staged);
}

const at = (path: string, message: Phrase): Phrase =>
  path === "" ? message : phrase("{path} {message}", { path, message });

/** Orders of a file from one number to the next, in the order of their numbers. */
type Part = {
  /** Each with its first row. */
  readonly sound: readonly { readonly order: OrderIn; readonly row: number }[];
  /** Rows of orders with faults, by their positions. */
  readonly faults: ReadonlyMap<number, readonly Fault[]>;
  readonly faulty: number;
  /** The last of them; null where there are no more. */
  readonly after: string | null;
};

async function readPart(pool: Pool, importId: string, after: string): Promise<Part> {
  const [numbers] = await pool.query<NumberRow[]>(
    "SELECT DISTINCT number FROM order_imports WHERE import = ? AND number > ? ORDER BY number LIMIT ?",
    [importId, after, ORDERS],
  );
  const [[head]] = await pool.query<HeaderRow[]>("SELECT body FROM order_imports WHERE import = ? AND position = 0", [
    importId,
  ]);
  const last = numbers.at(-1)?.number;
  if (last === undefined || !head) return { sound: [], faults: new Map(), faulty: 0, after: null };
  const form: Form = JSON.parse(head.body);
  const [rows] = await pool.query<StagedRow[]>(
    `SELECT position, number, body, fault FROM order_imports WHERE import = ? AND number > ? AND number <= ?
     ORDER BY number, position`,
    [importId, after, last],
  );
  const sound: Part["sound"][number][] = [];
  const faults = new Map<number, readonly Fault[]>();
  const byNumber = group(rows, (row) => row.number);
  let faulty = 0;
  for (const { number } of numbers) {
    const its = byNumber.get(number) ?? [];
    const read = readOne(form, its);
    if ("order" in read) sound.push({ order: read.order, row: its[0]?.position ?? 0 });
    else {
      faulty += 1;
      for (const fault of read.faults) faults.set(fault.row, [...(faults.get(fault.row) ?? []), fault]);
    }
  }
  return { sound, faults, faulty, after: numbers.length < ORDERS ? null : last };
}

function readOne(form: Form, rows: readonly StagedRow[]): { readonly order: OrderIn } | { readonly faults: Fault[] } {
  const known = rows.flatMap(({ fault }): Fault[] => (fault === null ? [] : JSON.parse(fault)));
  if (known.length > 0) return { faults: known };
  if ("layout" in form)
    return orderFromRows(
      form.layout,
      rows.map(({ position, body }) => ({ row: position, cells: JSON.parse(body) })),
    );
  const [first, ...more] = rows;
  if (more.length > 0 || !first)
    return { faults: more.map(({ position }) => ({ row: position, message: phrase("is there twice") })) };
  return { order: JSON.parse(first.body) };
}

/** What a part of a file would do. */
export type CheckedPart = Written & {
  /** Orders that have faults. */
  readonly faulty: number;
  readonly after: string | null;
};

/** A part whose orders can be read by the plans that delivered them too: what cannot is a fault of its first row. */
async function soundPart(pool: Pool, importId: string, after: string, deliverers: Deliverers): Promise<Part> {
  const part = await readPart(pool, importId, after);
  const sound: Part["sound"][number][] = [];
  const faults = new Map(part.faults);
  for (const { order, row } of part.sound) {
    const problems = await orderProblems(order, deliverers);
    if (problems.length === 0) sound.push({ order, row });
    else
      faults.set(
        row,
        problems.map(({ message }) => ({ row, message })),
      );
  }
  return { ...part, sound, faults, faulty: part.faulty + part.sound.length - sound.length };
}

/** Looks at a part of a file as a whole: what is wrong with its orders is kept with their rows. Nothing else is written. */
export async function checkPart(pool: Pool, importId: string, after = ""): Promise<CheckedPart> {
  const { sound, faults, faulty, after: last } = await soundPart(pool, importId, after, deliverersOf(pool));
  for (const [row, found] of faults)
    await pool.execute("UPDATE order_imports SET fault = ? WHERE import = ? AND position = ?", [
      JSON.stringify(found),
      importId,
      row,
    ]);
  const compared = await compareOrders(
    pool,
    sound.map(({ order }) => order),
  );
  return { ...compared, faulty, after: last };
}

/** Everything that is wrong with a file, in its order. */
export async function faultsOf(pool: Pool, importId: string): Promise<Fault[]> {
  const [rows] = await pool.query<FaultRow[]>(
    "SELECT fault FROM order_imports WHERE import = ? AND fault IS NOT NULL ORDER BY position",
    [importId],
  );
  return rows.flatMap(({ fault }): Fault[] => JSON.parse(fault));
}

/**
 * Writes a part of a file, without orders that have faults. A file with faults is refused whole, unless its sound rows alone are wanted.
 */
export async function writePart(
  pool: Pool,
  importId: string,
  { after = "", sound }: { after?: string | undefined; sound: boolean },
): Promise<(Written & { readonly after: string | null }) | "has faults"> {
  const [[row]] = await pool.query<CountRow[]>(
    "SELECT COUNT(*) AS faulty FROM order_imports WHERE import = ? AND fault IS NOT NULL",
    [importId],
  );
  const deliverers = deliverersOf(pool);
  const part = await soundPart(pool, importId, after, deliverers);
  // It may be written without having been checked.
  if (!sound && ((row && row.faulty > 0) || part.faulty > 0)) return "has faults";
  const written = await writeOrders(
    pool,
    part.sound.map(({ order }) => order),
    deliverers,
  );
  if (part.after === null) await dropOrderImport(pool, importId);
  return { ...written, after: part.after };
}

export async function dropOrderImport(pool: Pool, importId: string): Promise<void> {
  await pool.execute("DELETE FROM order_imports WHERE import = ?", [importId]);
}

/** Forgets files that were begun more than a day ago and never finished. */
export async function dropAbandonedOrders(pool: Pool): Promise<void> {
  await pool.execute("DELETE FROM order_imports WHERE begun_at < UTC_TIMESTAMP(3) - INTERVAL 1 DAY");
}

import type { Pool, PoolConnection, RowDataPacket } from "mysql2/promise";
import type { Role } from "../people/person.ts";
import { checkSettings } from "../validation/documents.ts";
import { FIRST_SETTINGS, type Settings } from "./settings-schema.ts";

interface SettingRow extends RowDataPacket {
  name: string;
  value: string;
}

export async function readSettings(connection: Pool | PoolConnection): Promise<Settings> {
  const [rows] = await connection.query<SettingRow[]>("SELECT name, value FROM settings");
  if (rows.length === 0) return FIRST_SETTINGS;
  const kept = Object.fromEntries(rows.map(({ name, value }): [string, unknown] => [name, JSON.parse(value)]));
  const checked = checkSettings({ ...FIRST_SETTINGS, ...kept });
  if ("problems" in checked) throw new Error(`the settings cannot be read: ${JSON.stringify(checked.problems)}`);
  return checked.value;
}

export async function writeSettings(connection: PoolConnection, settings: Settings): Promise<void> {
  for (const [name, value] of Object.entries(settings))
    await connection.execute("REPLACE INTO settings (name, value) VALUES (?, ?)", [name, JSON.stringify(value)]);
}

/** Whether somebody of a role has to have a second factor. */
export const owesFactor = ({ secondFactor }: Settings, role: Role): boolean =>
  secondFactor === "everyone" || (secondFactor === "run" && role === "run");

/** What differs, a line for each. @example settingsChanged(before, after) // ["secondPerson: false → true"] */
export function settingsChanged(before: Settings, after: Settings): string[] {
  const was = new Map(Object.entries(before));
  return Object.entries(after).flatMap(([name, value]) => {
    const [old, now] = [JSON.stringify(was.get(name)), JSON.stringify(value)];
    return old === now ? [] : [`${name}: ${old} → ${now}`];
  });
}

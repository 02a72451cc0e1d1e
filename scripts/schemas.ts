// npm run schemas: writes the published JSON Schemas anew from their definitions.
import { mkdirSync, readdirSync, rmSync, writeFileSync } from "node:fs";
import { fileURLToPath } from "node:url";
import { publishedSchemas } from "../server/validation/published-schemas.ts";

const folder = fileURLToPath(new URL("../schemas", import.meta.url));
mkdirSync(folder, { recursive: true });
for (const name of readdirSync(folder)) rmSync(folder + name);
for (const [name, text] of publishedSchemas()) writeFileSync(folder + name, text);

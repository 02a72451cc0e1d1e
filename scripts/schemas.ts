// npm run schemas: writes the published JSON Schemas and the names of their leaves anew from their definitions, the table of who may
// ask what, and the world's outlines from theirs.
import { mkdirSync, readdirSync, rmSync, writeFileSync } from "node:fs";
import { fileURLToPath } from "node:url";
import { endpointsText } from "../server/http/endpoints-text.ts";
import { publishedSchemas } from "../server/validation/published-schemas.ts";
import { leafNamesText } from "./schema-leaves.ts";
import { worldMapText } from "./world-shapes.ts";

const folder = fileURLToPath(new URL("../schemas/", import.meta.url));
mkdirSync(folder, { recursive: true });
for (const name of readdirSync(folder)) rmSync(folder + name);
for (const [name, text] of publishedSchemas()) writeFileSync(folder + name, text);
writeFileSync(new URL("../docs/endpoints.md", import.meta.url), endpointsText());
writeFileSync(new URL("../web/fields/leaf-names.ts", import.meta.url), leafNamesText());
writeFileSync(new URL("../web/sections/places/map/world.js", import.meta.url), worldMapText());

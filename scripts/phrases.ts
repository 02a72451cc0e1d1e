// npm run phrases: brings the catalogue of the app's other language in line with what the app says, and prints what is to be translated.
import { fileURLToPath } from "node:url";
import { readCatalogue, upToDate, writeCatalogue } from "./phrases/catalogue.ts";

const root = fileURLToPath(new URL("../", import.meta.url));
const catalogue = upToDate(root, readCatalogue(root));
writeCatalogue(root, catalogue);
const open = Object.entries(catalogue).flatMap(([file, messages]) =>
  Object.entries(messages).flatMap(([message, own]) => (own === "" ? [`${file}: ${message}`] : [])),
);
process.stdout.write(open.length === 0 ? "Nothing is to be translated.\n" : `${open.join("\n")}\n`);

import { readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { allMessages } from "./find-phrases.ts";

/** Where a language's messages lie: by the file that says each first, in its order, English beside the other. */
export const CATALOGUE = "web/language/pt.json";

export type Catalogue = Readonly<Record<string, Readonly<Record<string, string>>>>;

export const readCatalogue = (root: string): Catalogue => JSON.parse(readFileSync(join(root, CATALOGUE), "utf8"));

/** The catalogue as it has to be for what the app says now: what is known is kept, what is new is empty, what is gone is left out. */
export function upToDate(root: string, known: Catalogue): Catalogue {
  const said = new Map(Object.values(known).flatMap((messages) => Object.entries(messages)));
  return Object.fromEntries(
    [...allMessages(root)].map(([file, messages]) => [
      file,
      Object.fromEntries(messages.map((message) => [message, said.get(message) ?? ""])),
    ]),
  );
}

export const catalogueText = (catalogue: Catalogue): string => `${JSON.stringify(catalogue, null, 2)}\n`;

export const writeCatalogue = (root: string, catalogue: Catalogue): void =>
  writeFileSync(join(root, CATALOGUE), catalogueText(catalogue));

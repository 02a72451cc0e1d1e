import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import ts from "typescript";
import { choicesIn, planSchemas } from "../../core/explain/chosen-words.ts";
import { isRecord } from "../../core/schema/is-record.ts";
import { wordsOfKey } from "../../core/schema/key-words.ts";
import { publishedSchemas } from "../../server/validation/published-schemas.ts";

/** A message of the app where it is said. */
export type FoundMessage = {
  readonly message: string;
  readonly file: string;
  readonly line: number;
  /** Names of the values it is given; null where they are not written out beside it. */
  readonly given: readonly string[] | null;
};

/** Where the words of the plan's schema stand in the catalogue: names of settings, kinds, and what patterns ask for. */
const SCHEMA = "schemas";
const ROOTS = ["core", "server", "cli", "web"];

/** Every file with code of the app, tests and generated ones left out, relative to the root. */
export function sourceFiles(root: string): string[] {
  const within = (folder: string): string[] =>
    readdirSync(join(root, folder), { withFileTypes: true }).flatMap((entry) => {
      const path = `${folder}/${entry.name}`;
      if (entry.isDirectory()) return entry.name === "tests" ? [] : within(path);
      return /\.tsx?$/.test(entry.name) && !/\.test\.tsx?$|\.d\.ts$/.test(entry.name) ? [path] : [];
    });
  return ROOTS.flatMap(within).sort();
}

export const parsed = (root: string, file: string): ts.SourceFile =>
  ts.createSourceFile(
    file,
    readFileSync(join(root, file), "utf8"),
    ts.ScriptTarget.ESNext,
    true,
    file.endsWith("x") ? ts.ScriptKind.TSX : ts.ScriptKind.TS,
  );

export const SAYS: ReadonlySet<string> = new Set(["say", "phrase"]);

/** Every message said in a file. */
export function messagesIn(source: ts.SourceFile): FoundMessage[] {
  const found: FoundMessage[] = [];
  const visit = (node: ts.Node): void => {
    if (ts.isCallExpression(node) && ts.isIdentifier(node.expression) && SAYS.has(node.expression.text)) {
      const [message, values] = node.arguments;
      if (message && ts.isStringLiteralLike(message))
        found.push({
          message: message.text,
          file: source.fileName,
          line: source.getLineAndCharacterOfPosition(node.getStart()).line + 1,
          given: values === undefined ? [] : namesIn(values),
        });
    }
    ts.forEachChild(node, visit);
  };
  visit(source);
  return found;
}

function namesIn(values: ts.Expression): string[] | null {
  if (!ts.isObjectLiteralExpression(values)) return null;
  const names = values.properties.map((property) =>
    property.name && (ts.isIdentifier(property.name) || ts.isStringLiteral(property.name)) ? property.name.text : null,
  );
  return names.every((name) => name !== null) ? names : null;
}

/** Words of the published schemas that reach the screen: keys and kinds in a review, and what a pattern asks for in a problem. */
function schemaMessages(): string[] {
  const words = new Set<string>();
  const visit = (schema: unknown): void => {
    if (Array.isArray(schema)) schema.forEach(visit);
    if (!isRecord(schema)) return;
    const { properties, pattern, title, description, examples } = schema;
    if (isRecord(properties)) for (const key of Object.keys(properties)) words.add(wordsOfKey(key));
    if (isRecord(properties) && isRecord(properties.kind) && typeof properties.kind.const === "string")
      words.add(wordsOfKey(properties.kind.const));
    if (typeof pattern === "string") {
      if (typeof title === "string") words.add(title.charAt(0).toLowerCase() + title.slice(1));
      if (typeof description === "string" && !(typeof title === "string" && Array.isArray(examples)))
        words.add(description.charAt(0).toLowerCase() + description.slice(1)).add(description);
    }
    Object.values(schema).forEach(visit);
  };
  for (const [, text] of publishedSchemas()) visit(JSON.parse(text));
  for (const names of choicesIn(planSchemas()).values()) for (const name of names) words.add(wordsOfKey(name));
  return [...words].filter((word) => /[A-Za-z]{2}/.test(word)).sort();
}

/** Every message of the app by the file that says it first. */
export function allMessages(root: string): Map<string, string[]> {
  const known = new Set<string>();
  const byFile = new Map<string, string[]>();
  for (const [file, messages] of [
    ...sourceFiles(root).map((file): [string, string[]] => [
      file,
      messagesIn(parsed(root, file)).map((one) => one.message),
    ]),
    [SCHEMA, schemaMessages()] as [string, string[]],
  ]) {
    const fresh = [...new Set(messages)].filter(
      (message) => !known.has(message) && /[A-Za-z]{2}/.test(message.replaceAll(/\{\w+\}/g, "")),
    );
    for (const message of fresh) known.add(message);
    if (fresh.length > 0) byFile.set(file, fresh);
  }
  return byFile;
}

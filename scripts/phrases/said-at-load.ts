import ts from "typescript";

/** What speaks to whoever reads now, by name; `byReader` makes more of them. */
const SPEAKERS = [
  "say",
  "sayValue",
  "shown",
  "makersMoney",
  "countryName",
  "languageName",
  "currencyName",
  "theReader",
];

/** Names of what is made once for each reader, in one file. */
export function madeByReader(source: ts.SourceFile): string[] {
  return source.statements.filter(ts.isVariableStatement).flatMap(({ declarationList }) =>
    declarationList.declarations.flatMap(({ name, initializer }) => {
      const isMade = initializer && ts.isCallExpression(initializer) && initializer.expression.getText() === "byReader";
      return isMade && ts.isIdentifier(name) ? [name.text] : [];
    }),
  );
}

/**
 * Where something is said while a module loads: nobody's language is known then, and it stays in that of the first.
 *
 * @param made names of what is made for each reader, in any file
 * @example saidAtLoad(source of `const NONE = say("none");`, []) // ['1 say("none")']
 */
export function saidAtLoad(source: ts.SourceFile, made: readonly string[]): string[] {
  const speakers = new Set([...SPEAKERS, ...made]);
  const within = (node: ts.Node): string[] => {
    if (ts.isFunctionLike(node)) return [];
    const parts: string[] = [];
    ts.forEachChild(node, (part) => void parts.push(...within(part)));
    const isSaid = ts.isCallExpression(node) && ts.isIdentifier(node.expression) && speakers.has(node.expression.text);
    const line = source.getLineAndCharacterOfPosition(node.getStart()).line + 1;
    return isSaid ? [`${line} ${node.getText().slice(0, 80)}`, ...parts] : parts;
  };
  return within(source);
}

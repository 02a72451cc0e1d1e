import { join, relative } from "node:path";
import ts from "typescript";

/**
 * Where something that is data, such as a phrase, is written into a text or drawn: it would read "[object Object]", which no type forbids everywhere.
 *
 * @example phrasesAsText(root) // ["web/names/entity-words.ts:25 `${words} “${name}”`"]
 */
export function phrasesAsText(root: string): string[] {
  const config = ts.getParsedCommandLineOfConfigFile(
    join(root, "tsconfig.json"),
    {},
    {
      ...ts.sys,
      onUnRecoverableConfigFileDiagnostic: ({ messageText }) => {
        throw new Error(ts.flattenDiagnosticMessageText(messageText, " "));
      },
    },
  );
  if (!config) throw new Error("there is no tsconfig.json");
  const program = ts.createProgram(config.fileNames, config.options);
  const checker = program.getTypeChecker();
  const partsOf = (type: ts.Type) => (type.isUnion() ? type.types : [type]);
  const isData = (type: ts.Type) =>
    partsOf(type).some((part) => {
      const names = part.getProperties().map(({ name }) => name);
      return (
        (part.flags & ts.TypeFlags.Object) !== 0 &&
        (names.includes("message") || names.includes("options")) &&
        names.every((name) => ["message", "values", "number", "moment", "options"].includes(name))
      );
    });
  const found: string[] = [];
  for (const source of program.getSourceFiles()) {
    const file = relative(root, source.fileName);
    if (!/^(core|server|cli|web)\//.test(file) || /\.test\.tsx?$|\/tests\/|\.d\.ts$/.test(file)) continue;
    const note = (node: ts.Node) =>
      found.push(
        `${file}:${source.getLineAndCharacterOfPosition(node.getStart()).line + 1} ${node.getText().slice(0, 80)}`,
      );
    const visit = (node: ts.Node): void => {
      if (ts.isTemplateExpression(node))
        if (node.templateSpans.some(({ expression }) => isData(checker.getTypeAtLocation(expression)))) note(node);
      if (ts.isCallExpression(node)) {
        const { expression } = node;
        if (ts.isPropertyAccessExpression(expression) && expression.name.text === "join") {
          const of = checker.getIndexTypeOfType(checker.getTypeAtLocation(expression.expression), ts.IndexKind.Number);
          if (of && isData(of)) note(node);
        }
        const [first] = node.arguments;
        if (expression.getText() === "String" && first && isData(checker.getTypeAtLocation(first))) note(node);
      }
      if (
        ts.isJsxExpression(node) &&
        node.expression &&
        (ts.isJsxElement(node.parent) || ts.isJsxFragment(node.parent))
      )
        if (isData(checker.getTypeAtLocation(node.expression))) note(node);
      if (ts.isBinaryExpression(node) && node.operatorToken.kind === ts.SyntaxKind.PlusToken)
        if ([node.left, node.right].some((side) => isData(checker.getTypeAtLocation(side)))) note(node);
      ts.forEachChild(node, visit);
    };
    visit(source);
  }
  return found;
}

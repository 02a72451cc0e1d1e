import { join } from "node:path";
import ts from "typescript";
import { sourceFiles } from "./find-phrases.ts";

/** What only data that is to be spoken has: a phrase, or a value that each language writes in its own way. */
const KEYS: ReadonlySet<string> = new Set(["message", "values", "number", "moment", "options"]);

function isData(type: ts.Type): boolean {
  return (type.isUnion() ? type.types : [type]).some((part) => {
    if ((part.flags & ts.TypeFlags.Object) === 0) return false;
    const names = part.getProperties().map(({ name }) => name);
    return (names.includes("message") || names.includes("options")) && names.every((name) => KEYS.has(name));
  });
}

/** What a node turns into text, or draws: the pieces of a template, of a sum, of a list that is joined, a child of an element. */
function turnedIntoText(node: ts.Node): { each: readonly ts.Expression[]; list?: ts.Expression } {
  if (ts.isTemplateExpression(node)) return { each: node.templateSpans.map(({ expression }) => expression) };
  if (ts.isBinaryExpression(node))
    return { each: node.operatorToken.kind === ts.SyntaxKind.PlusToken ? [node.left, node.right] : [] };
  if (ts.isJsxExpression(node))
    return { each: node.expression && !ts.isJsxAttribute(node.parent) ? [node.expression] : [] };
  if (!ts.isCallExpression(node)) return { each: [] };
  const { expression } = node;
  if (ts.isPropertyAccessExpression(expression) && expression.name.text === "join")
    return { each: [], list: expression.expression };
  return { each: ts.isIdentifier(expression) && expression.text === "String" ? node.arguments.slice(0, 1) : [] };
}

/** Calls that make text, known by their names. */
const MAKES_TEXT =
  /^(say|sayValue|shown|shopSays|english|speak|speakValue|makersMoney|String|measured|goalText|errorWords)$/;

/** Of a choice each side; of what makes text, draws or is text already nothing: its type need not be worked out. */
function inQuestion(expression: ts.Expression): ts.Expression[] {
  if (ts.isParenthesizedExpression(expression)) return inQuestion(expression.expression);
  if (ts.isConditionalExpression(expression))
    return [...inQuestion(expression.whenTrue), ...inQuestion(expression.whenFalse)];
  if (ts.isBinaryExpression(expression)) {
    const sign = expression.operatorToken.kind;
    if (sign === ts.SyntaxKind.AmpersandAmpersandToken) return inQuestion(expression.right);
    return sign === ts.SyntaxKind.BarBarToken || sign === ts.SyntaxKind.QuestionQuestionToken
      ? [...inQuestion(expression.left), ...inQuestion(expression.right)]
      : [];
  }
  if (ts.isCallExpression(expression)) {
    const { expression: called } = expression;
    const name = ts.isPropertyAccessExpression(called) ? called.name.text : called.getText();
    return MAKES_TEXT.test(name) || /^(map|flatMap|join|toFixed|slice|replace(All)?|trim|padStart|toString)$/.test(name)
      ? []
      : [expression];
  }
  const isPlain =
    ts.isStringLiteralLike(expression) ||
    ts.isNumericLiteral(expression) ||
    ts.isTemplateExpression(expression) ||
    ts.isJsxElement(expression) ||
    ts.isJsxFragment(expression) ||
    ts.isJsxSelfClosingElement(expression);
  return isPlain ? [] : [expression];
}

/**
 * Where something that is data, such as a phrase, is written into a text or drawn: it would read "[object Object]", which no type
 * forbids everywhere.
 *
 * @example phrasesAsText(root) // ["web/names/entity-words.ts:25 `${words} “${name}”`"]
 */
export function phrasesAsText(root: string): string[] {
  const { config } = ts.readConfigFile(join(root, "tsconfig.base.json"), ts.sys.readFile);
  const { options } = ts.convertCompilerOptionsFromJson(config.compilerOptions, root);
  const files = sourceFiles(root);
  const program = ts.createProgram(
    files.map((file) => join(root, file)),
    { ...options, jsx: ts.JsxEmit.ReactJSX, resolveJsonModule: true, noLib: false },
  );
  const checker = program.getTypeChecker();
  const isListOfData = (list: ts.Expression): boolean => {
    const of = checker.getIndexTypeOfType(checker.getTypeAtLocation(list), ts.IndexKind.Number);
    return of !== undefined && isData(of);
  };
  return files.flatMap((file) => {
    const source = program.getSourceFile(join(root, file));
    const within = (node: ts.Node): string[] => {
      const { each, list } = turnedIntoText(node);
      const isFound =
        each.flatMap(inQuestion).some((one) => isData(checker.getTypeAtLocation(one))) || (list && isListOfData(list));
      const line = source?.getLineAndCharacterOfPosition(node.getStart()).line ?? 0;
      const inner: string[] = [];
      ts.forEachChild(node, (part) => void inner.push(...within(part)));
      return [...(isFound ? [`${file}:${line + 1} ${node.getText().slice(0, 80)}`] : []), ...inner];
    };
    return source ? within(source) : [];
  });
}

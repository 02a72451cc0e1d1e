import ts from "typescript";
import { SAYS } from "./find-phrases.ts";

/** Words that stand in a file and would reach the screen without the catalogue. */
export type Outside = { readonly line: number; readonly words: string };

/** Attributes that hold no words for people. */
const SILENT_ATTRIBUTES =
  /^(class(Name)?|id|type|role|href|rel|htmlFor|key|value|leaf|at|d|fill|viewBox|style|data-.*|aria-(hidden|live|haspopup|current|controls|labelledby|describedby)|autoComplete|fills|inputMode|dir|lang|target|method|look|kind|part|side|accept|download|stroke.*|points|transform|pattern.*|pointerEvents|textAnchor|dominantBaseline|spellCheck|src|xmlns|scope|mode|popover|dataKey|ifOverflow)$/;

/** Calls whose texts are for the machine: selectors, keys, queries, errors that nobody is shown. */
const SILENT_CALLS =
  /(^|\.)(querySelector(All)?|closest|matches|split|join|includes|startsWith|endsWith|replace(All)?|getItem|setItem|removeItem|useStored|addEventListener|removeEventListener|createElement|has|get|set|test|fetch|import|shopSays|byKind|define\w*|stdout\.write|execute|query|console\.\w+|log)$/;

const hasWords = (text: string) => /[A-Za-z]{2,}/.test(text);
/** Several words, as sentences are and class names are not. */
const isSentence = (text: string) =>
  /[A-Za-z’,;:.!?)] +[A-Za-z“(]/.test(text) &&
  !/(^|\s)[\w[\]()!:./%#-]*[-:[\]/][\w[\]()!:./%#-]*(\s|$)/.test(text) &&
  !/^[A-Z0-9?.* ]+$/.test(text);

/** One word as labels begin: where it is compared with, or is a key, it is none. */
const isTitle = ({ text, parent }: ts.StringLiteralLike) =>
  /^[A-Z][a-z]{2,}(-[a-z]+)*[…:]?$/.test(text) &&
  !ts.isBinaryExpression(parent) &&
  !ts.isCaseClause(parent) &&
  !ts.isElementAccessExpression(parent);

/** A field's own name is for the form; a component's is shown. */
function isFormName(attribute: ts.JsxAttribute): boolean {
  const owner = attribute.parent.parent;
  return (
    attribute.name.getText() === "name" &&
    ts.isJsxOpeningLikeElement(owner) &&
    /^[a-z]|^(Radio|Check)Field$/.test(owner.tagName.getText())
  );
}

/** What is for the machine with all that is in it. */
function isSilent(node: ts.Node): boolean {
  if (ts.isImportDeclaration(node) || ts.isExportDeclaration(node) || ts.isTypeNode(node) || ts.isThrowStatement(node))
    return true;
  if (ts.isNewExpression(node)) return /Error$|^Intl|^RegExp$/.test(node.expression.getText());
  // Schemas describe themselves, for whoever reads the published ones.
  if (ts.isCallExpression(node)) return /^Type\./.test(node.expression.getText());
  if (ts.isPropertyAssignment(node))
    return /^(description|title|example|examples|pattern|className)$/.test(node.name.getText());
  return ts.isJsxAttribute(node) && (SILENT_ATTRIBUTES.test(node.name.getText()) || isFormName(node));
}

/** What may hold words within a node: of what is said only the values, of what is for the machine no texts of its own. */
function partsOf(node: ts.Node): readonly ts.Node[] {
  if (ts.isCallExpression(node)) {
    const name = node.expression.getText();
    if (SAYS.has(name)) return node.arguments.slice(1);
    if (SILENT_CALLS.test(name)) return node.arguments.filter((one) => !ts.isStringLiteralLike(one));
  }
  const parts: ts.Node[] = [];
  ts.forEachChild(node, (part) => void parts.push(part));
  return parts;
}

/** The words that stand in a node itself. */
function wordsIn(node: ts.Node): string | null {
  if (ts.isJsxAttribute(node))
    return node.initializer && ts.isStringLiteral(node.initializer) && hasWords(node.initializer.text)
      ? node.initializer.text
      : null;
  if (ts.isJsxText(node)) return hasWords(node.text) ? node.text : null;
  if (ts.isStringLiteralLike(node))
    return !ts.isJsxAttribute(node.parent) && (isSentence(node.text) || isTitle(node)) ? node.text : null;
  if (!ts.isTemplateExpression(node)) return null;
  const text = node.head.text + node.templateSpans.map((span) => `…${span.literal.text}`).join("");
  return /[A-Za-z]{2,} +…|… +[A-Za-z]{2,}/.test(text) && isSentence(text.replaceAll("…", " x ")) ? text : null;
}

/** The words of one file that are said without `say` or `phrase`. */
export function wordsOutside(source: ts.SourceFile): Outside[] {
  const within = (node: ts.Node): Outside[] => {
    if (isSilent(node)) return [];
    const words = wordsIn(node);
    const line = source.getLineAndCharacterOfPosition(node.getStart()).line + 1;
    return [...(words === null ? [] : [{ line, words: words.trim() }]), ...partsOf(node).flatMap(within)];
  };
  return within(source);
}

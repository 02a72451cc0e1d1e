import ts from "typescript";
import { SAYS } from "./find-phrases.ts";

/** Words that stand in a file and would reach the screen without the catalogue. */
export type Outside = { readonly line: number; readonly words: string };

/** Attributes that hold no words for people. */
const SILENT_ATTRIBUTES =
  /^(class(Name)?|id|type|role|href|rel|htmlFor|key|value|leaf|at|d|fill|viewBox|style|data-.*|aria-(hidden|live|haspopup|current|controls|labelledby|describedby)|autoComplete|inputMode|dir|lang|target|method|look|kind|part|side|accept|download|stroke.*|points|transform|pattern.*|pointerEvents|textAnchor|dominantBaseline|spellCheck|src|xmlns|scope|mode|popover|dataKey)$/;

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

/** The words of one file that are said without `say` or `phrase`. */
export function wordsOutside(source: ts.SourceFile): Outside[] {
  const found: Outside[] = [];
  const note = (node: ts.Node, words: string) =>
    found.push({ line: source.getLineAndCharacterOfPosition(node.getStart()).line + 1, words: words.trim() });
  const visit = (node: ts.Node): void => {
    if (ts.isImportDeclaration(node) || ts.isExportDeclaration(node) || ts.isTypeNode(node)) return;
    if (ts.isThrowStatement(node)) return;
    if (ts.isNewExpression(node) && /Error$|^Intl|^RegExp$/.test(node.expression.getText())) return;
    if (ts.isCallExpression(node)) {
      const name = node.expression.getText();
      if (SAYS.has(name)) return node.arguments.slice(1).forEach(visit);
      if (SILENT_CALLS.test(name)) return node.arguments.filter((one) => !ts.isStringLiteralLike(one)).forEach(visit);
      // Schemas describe themselves, for whoever reads the published ones.
      if (/^Type\./.test(name)) return;
    }
    if (
      ts.isPropertyAssignment(node) &&
      /^(description|title|example|examples|pattern|className)$/.test(node.name.getText())
    )
      return;
    if (ts.isJsxAttribute(node)) {
      const { initializer } = node;
      const name = node.name.getText();
      if (SILENT_ATTRIBUTES.test(name)) return;
      // A field's own name is for the form; a component's is shown.
      const owner = node.parent.parent;
      if (
        name === "name" &&
        ts.isJsxOpeningLikeElement(owner) &&
        /^[a-z]|^(Radio|Check)Field$/.test(owner.tagName.getText())
      )
        return;
      if (initializer && ts.isStringLiteral(initializer) && hasWords(initializer.text)) note(node, initializer.text);
    }
    if (ts.isJsxText(node) && hasWords(node.text)) note(node, node.text);
    if (ts.isStringLiteralLike(node) && !ts.isJsxAttribute(node.parent) && (isSentence(node.text) || isTitle(node)))
      note(node, node.text);
    if (ts.isTemplateExpression(node)) {
      const text = node.head.text + node.templateSpans.map((span) => `…${span.literal.text}`).join("");
      if (/[A-Za-z]{2,} +…|… +[A-Za-z]{2,}/.test(text) && isSentence(text.replaceAll("…", " x "))) note(node, text);
    }
    ts.forEachChild(node, visit);
  };
  visit(source);
  return found;
}

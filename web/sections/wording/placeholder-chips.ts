import { EditorState, type Extension, type Transaction } from "@codemirror/state";
import { Decoration, EditorView, MatchDecorator, ViewPlugin, type ViewUpdate, WidgetType } from "@codemirror/view";
import { say } from "../../language/say.ts";
import { CHIP } from "./chips.ts";

class Chip extends WidgetType {
  private readonly name: string;
  private readonly kind: string | undefined;
  constructor(name: string, kind: string | undefined) {
    super();
    this.name = name;
    this.kind = kind;
  }
  override eq(other: Chip): boolean {
    return other.name === this.name && other.kind === this.kind;
  }
  override toDOM(): HTMLElement {
    const chip = document.createElement("span");
    chip.className = "placeholder-chip";
    chip.textContent = this.kind ? say("{name} by number", { name: this.name }) : this.name;
    chip.setAttribute("aria-label", `placeholder ${this.name}`);
    return chip;
  }
}

const chipsFor = (allowed: ReadonlySet<string>) => {
  const matcher = new MatchDecorator({
    regexp: CHIP,
    decoration: ([, name = "", kind]) =>
      allowed.has(name) ? Decoration.replace({ widget: new Chip(name, kind) }) : null,
  });
  return ViewPlugin.define(
    (view) => ({
      decorations: matcher.createDeco(view),
      update(update: ViewUpdate) {
        this.decorations = matcher.updateDeco(update, this.decorations);
      },
    }),
    {
      decorations: (plugin) => plugin.decorations,
      provide: (plugin) => EditorView.atomicRanges.of((view) => view.plugin(plugin)?.decorations ?? Decoration.none),
    },
  );
};

/**
 * Lets no typing, pasting, cutting or dropping take a placeholder away. A change that would is put right: what it brings
 * goes in, and the placeholders of the stretch it replaces stay, in their order, behind it.
 */
const keepChips = (allowed: ReadonlySet<string>) =>
  EditorState.transactionFilter.of((transaction: Transaction) => {
    if (!transaction.docChanged || transaction.isUserEvent("undo") || transaction.isUserEvent("redo"))
      return transaction;
    if (!transaction.isUserEvent("input") && !transaction.isUserEvent("delete") && !transaction.isUserEvent("move"))
      return transaction;
    const changes: { from: number; to: number; insert: string }[] = [];
    let lost = false;
    transaction.changes.iterChanges((from, to, _fromB, _toB, inserted) => {
      const text = transaction.startState.doc.toString();
      const kept = [...text.matchAll(CHIP)].filter(
        ({ index, 0: match, 1: name = "" }) => allowed.has(name) && index < to && index + match.length > from,
      );
      const [first] = kept;
      if (!first) {
        changes.push({ from, to, insert: inserted.toString() });
        return;
      }
      lost = true;
      // The stretch is widened to whole placeholders, so that none is cut in two.
      const start = Math.min(from, first.index);
      const last = kept.at(-1);
      const end = Math.max(to, last ? last.index + last[0].length : to);
      changes.push({
        from: start,
        to: end,
        insert: inserted.toString() + kept.map(([match]) => match).join(""),
      });
    });
    return lost ? [{ changes, scrollIntoView: true }] : transaction;
  });

const look = EditorView.theme({
  ".placeholder-chip": {
    padding: "0 0.3em",
    margin: "0 1px",
    background: "var(--tint-strong)",
    border: "1px solid var(--color-primary)",
    borderRadius: "2px",
    fontSize: "0.85em",
  },
  ".cm-content": { fontFamily: "var(--font-sans)", padding: "2px 0", caretColor: "var(--color-base-content)" },
  "&.cm-focused": { outline: "none" },
});

/** The placeholders that may stand in a text, as chips that move as one and cannot be typed away. Others are plain text. */
export const placeholderChips = (allowed: readonly string[]): Extension => {
  const names = new Set(allowed);
  return [chipsFor(names), keepChips(names), look];
};

import type { ReadLine } from "../cart/read-cart.ts";
import type { LineFigure } from "../situation/situation.ts";

export type Goods = (line: ReadLine) => boolean;

/** A figure of what is left of some carts without some goods: a measure of it, or of one of its lines. */
export type FigureBetween = { readonly left: readonly Goods[] } & (
  | {
      readonly kind: "measure";
      readonly measure: number;
      /** Whether filler is none of those goods. */
      readonly isFilled: boolean;
    }
  | { readonly kind: "line"; readonly at: number; readonly figure: LineFigure }
);

/** The figures that some carts have been asked about, but for measures of the whole: each by a name of its own. */
export class Figures {
  private readonly byName = new Map<string, FigureBetween>();
  private readonly goods: Goods[] = [];
  nameOf(figure: FigureBetween): string {
    const left = figure.left.map((goods) => this.numberOf(goods));
    const of = figure.kind === "measure" ? [figure.measure, figure.isFilled] : [figure.at, figure.figure];
    const name = [figure.kind, ...of, ...left].join();
    this.byName.set(name, figure);
    return name;
  }
  private numberOf(goods: Goods): number {
    const known = this.goods.indexOf(goods);
    return known >= 0 ? known : this.goods.push(goods) - 1;
  }
  /** Throws RangeError where nothing is called so. */
  named(name: string): FigureBetween {
    const figure = this.byName.get(name);
    if (!figure) throw new RangeError(`nobody has asked about ${name}`);
    return figure;
  }
}

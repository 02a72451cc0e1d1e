import { type Climb, priceAt } from "../../../core/climb/interval.ts";
import { majorIn } from "../../../core/money/decimal.ts";
import { csvOf } from "../../fields/csv-of.ts";
import { say } from "../../language/say.ts";
import type { MessageStretch } from "./message-strip.ts";

/** The climb as CSV: a row for each interval, prices at both of its ends, and what shoppers read there. */
export function climbCsv(climb: Climb, optionNames: readonly string[], stretches: readonly MessageStretch[]): string {
  const major = (minor: number) => majorIn(minor, climb.currency);
  const header = [
    say("from {currency}", { currency: climb.currency }),
    say("to {currency}", { currency: climb.currency }),
    ...optionNames.flatMap((name) => [say("{name} at from", { name }), say("{name} at to", { name })]),
    say("shoppers read"),
  ];
  const rows = climb.intervals.map((interval) => {
    const { from, to } = interval;
    const texts = stretches.find((stretch) => stretch.from <= from && from <= stretch.to)?.texts ?? [];
    const prices = interval.prices.flatMap((_, option) =>
      [from, to].map((x) => {
        const price = priceAt(interval, option, x);
        return typeof price === "number" ? major(price) : price;
      }),
    );
    return [major(from), major(to), ...prices, texts.join(" · ")];
  });
  return csvOf([header, ...rows]);
}

/** A drawing as a file that stands alone: colours and fonts that came from the page are written into it. */
export function standaloneSvg(svg: SVGSVGElement): string {
  const copy = svg.cloneNode(true);
  if (!(copy instanceof SVGSVGElement)) return "";
  const originals = svg.querySelectorAll("*");
  copy.querySelectorAll("*").forEach((element, i) => {
    const original = originals[i];
    if (!original) return;
    const { fill, stroke, fontFamily, fontSize, fontWeight } = getComputedStyle(original);
    element.setAttribute("fill", fill);
    element.setAttribute("stroke", stroke);
    if (element.tagName === "text")
      element.setAttribute("style", `font-family:${fontFamily};font-size:${fontSize};font-weight:${fontWeight}`);
    for (const name of ["class", "tabindex", "role"]) element.removeAttribute(name);
  });
  copy.setAttribute("xmlns", "http://www.w3.org/2000/svg");
  return new XMLSerializer().serializeToString(copy);
}

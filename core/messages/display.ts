import { closed } from "../schema/atoms.ts";
import { type Static, Type } from "../schema/type.ts";

const Colour = Type.String({
  title: "A colour",
  pattern: "^#[0-9a-f]{6}$",
  description: "Red, green and blue: #3437b4",
  examples: ["#3437b4"],
});
const oneOf = <Name extends string>(...names: readonly Name[]) => Type.Union(names.map((name) => Type.Literal(name)));

/** How the progress of offers is shown in the shop. */
export const Display = Type.Object(
  {
    shape: oneOf("line", "notches", "beads"),
    position: oneOf("above", "below"),
    several: oneOf("all", "nearest"),
    closable: Type.Boolean(),
    fill: Colour,
    track: Colour,
  },
  { ...closed, title: "Display" },
);
export type Display = Static<typeof Display>;

export const PLAIN_DISPLAY: Display = {
  shape: "line",
  position: "above",
  several: "all",
  closable: false,
  fill: "#3437b4",
  track: "#dedad2",
};

/**
 * The contrast of two colours by WCAG 2.2 (relative luminance); 3 is asked for between the parts of a graphic.
 *
 * @example contrast("#000000", "#ffffff") // 21
 */
export function contrast(a: string, b: string): number {
  const [darker = 0, lighter = 0] = [luminance(a), luminance(b)].sort((x, y) => x - y);
  return (lighter + 0.05) / (darker + 0.05);
}

function luminance(colour: string): number {
  const [red = 0, green = 0, blue = 0] = [1, 3, 5].map((at) => {
    const channel = Number.parseInt(colour.slice(at, at + 2), 16) / 255;
    return channel <= 0.04045 ? channel / 12.92 : ((channel + 0.055) / 1.055) ** 2.4;
  });
  return 0.2126 * red + 0.7152 * green + 0.0722 * blue;
}

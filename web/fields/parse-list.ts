/**
 * Short texts with commas or line ends between, each once, in the order they were typed.
 *
 * @example parseList("trade, press, trade") // ["trade", "press"]
 */
export const parseList = (text: string): string[] => [
  ...new Set(
    text
      .split(/[,\n]/)
      .map((part) => part.trim())
      .filter((part) => part !== ""),
  ),
];

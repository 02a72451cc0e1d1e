import type { StateFigure } from "../evidence/evidence-schema.ts";

/** What the demo store says of its margins. */
export const DEMO_FIGURES: readonly StateFigure[] = [
  { kind: "margin", figure: 4000 },
  { kind: "margin", category: "paper", figure: 4600 },
  { kind: "margin", category: "ink", figure: 3800 },
];

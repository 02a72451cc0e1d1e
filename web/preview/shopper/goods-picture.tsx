import { fnv1a } from "../../../core/schema/fnv.ts";

type Props = { name: string; categories: readonly string[]; size?: number };

/** Line drawings of things that are sold, in a field of 40 by 40. */
const SHAPES: readonly string[] = [
  // A box with its lid.
  "M7 15l13-6 13 6v14l-13 6-13-6zM7 15l13 6 13-6M20 21v14",
  // A bound book.
  "M10 7h20v26H10zM14 7v26M19 14h7M19 18h5",
  // A pencil.
  "M8 32l3-9L27 7l6 6-16 16zM24 10l6 6M11 23l6 6",
  // A bottle.
  "M16 6h8v6h-8zM14 12h12v3l3 4v15H11V19l3-4zM11 24h18",
  // A bag.
  "M9 14h22l2 20H7zM15 17v-5a5 5 0 0 1 10 0v5",
  // A sheet with a corner turned down.
  "M11 6h13l6 6v22H11zM24 6v6h6M15 19h11M15 24h11",
];

const TINTS = ["#3437b4", "#8a5a00", "#0d6b6b", "#7a3470"];

/** A small drawing for goods that have no photograph here: the same for the same category, or name where there is none. */
export function GoodsPicture({ name, categories, size = 40 }: Props) {
  const number = fnv1a(categories[0] ?? name);
  const tint = TINTS[number % TINTS.length];
  return (
    <svg
      width={size}
      height={size}
      viewBox="0 0 40 40"
      aria-hidden
      className="shrink-0"
      style={{ background: `color-mix(in oklab, ${tint} 9%, var(--color-base-100))` }}
    >
      <path
        d={SHAPES[number % SHAPES.length]}
        fill="none"
        stroke="currentColor"
        strokeWidth="1.4"
        strokeLinejoin="round"
        strokeLinecap="round"
        opacity="0.75"
      />
    </svg>
  );
}

import { phrase } from "../phrases/phrase.ts";
import { ByLocale, closed } from "../schema/atoms.ts";
import type { Problem } from "../schema/problem.ts";
import { type Static, Type } from "../schema/type.ts";

/** So much of a picture can be kept: it goes with every answer, so that shops fetch nothing besides. */
export const LARGEST_PICTURE = 16 * 1024;

/** How files of each type begin, in Base64: their signature, that of WebP around its length. Raster alone: nothing in it can be run. */
const BEGINNINGS = {
  "image/png": /^iVBORw0KGg/,
  "image/jpeg": /^\/9j\//,
  "image/webp": /^UklGR.{6}XRUJQ/,
} as const;
export type PictureType = keyof typeof BEGINNINGS;

/** A small picture beside an option's note, such as a sign for deliveries by bicycle. */
export const Picture = Type.Object(
  {
    type: Type.Union([Type.Literal("image/png"), Type.Literal("image/jpeg"), Type.Literal("image/webp")]),
    data: Type.String({
      pattern: "^(?:[A-Za-z0-9+/]{4})*(?:[A-Za-z0-9+/]{2}==|[A-Za-z0-9+/]{3}=)?$",
      minLength: 16,
      maxLength: Math.ceil(LARGEST_PICTURE / 3) * 4,
      description: "Base64 (RFC 4648)",
    }),
    width: Type.Integer({ minimum: 1, maximum: 480, description: "Pixels" }),
    height: Type.Integer({ minimum: 1, maximum: 160, description: "Pixels" }),
    alt: Type.Optional({ ...ByLocale, description: "Said instead of it; without one it is taken for an ornament" }),
  },
  { ...closed, title: "Picture" },
);
export type Picture = Static<typeof Picture>;

export function pictureProblems(picture: Picture | undefined, path: string): Problem[] {
  if (!picture) return [];
  const { type, data } = picture;
  return BEGINNINGS[type].test(data)
    ? []
    : [{ path: `${path}/data`, message: phrase("is no picture of {type}", { type }) }];
}

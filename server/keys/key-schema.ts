import { Type } from "@sinclair/typebox";
import { byKindOf, closed } from "../../core/schema/atoms.ts";
import { IDENTIFIER_PATTERN } from "../../core/schema/identifier.ts";
import { RIGHTS } from "./rights.ts";

/** What is done about shops' keys. */
export const ChangeKeys = byKindOf(
  "do",
  [
    Type.Object(
      {
        do: Type.Literal("make"),
        name: Type.String({ minLength: 1, maxLength: 100, pattern: IDENTIFIER_PATTERN }),
        rights: Type.Array(Type.Union(RIGHTS.map((right) => Type.Literal(right))), { minItems: 1, uniqueItems: true }),
        aSecond: Type.Integer({ minimum: 1, maximum: 100_000 }),
      },
      closed,
    ),
    Type.Object({ do: Type.Literal("revoke"), key: Type.Integer({ minimum: 1 }) }, closed),
  ],
  "ChangeKeys",
);

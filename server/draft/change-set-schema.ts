import { type Static, Type } from "@sinclair/typebox";
import { type EntityKind, entityKinds } from "../../core/plan/entities.ts";
import { closed, Id } from "../../core/schema/atoms.ts";

const Kind = Type.Unsafe<EntityKind>(Type.Union(entityKinds().map((kind) => Type.Literal(kind))));

/**
 * Edits that belong together. Each write names the revision it saw (0: the entity was not there) and the new body
 * (null: remove it). Whoever says which sequence they know is answered with what others have changed since.
 */
export const ChangeSet = Type.Object(
  {
    since: Type.Optional(Type.Integer({ minimum: 0 })),
    writes: Type.Array(
      Type.Object(
        { kind: Kind, id: Id, seen: Type.Integer({ minimum: 0 }), body: Type.Union([Type.Object({}), Type.Null()]) },
        closed,
      ),
      { minItems: 1, maxItems: 10_000 },
    ),
  },
  { ...closed, title: "ChangeSet" },
);
export type ChangeSet = Static<typeof ChangeSet>;

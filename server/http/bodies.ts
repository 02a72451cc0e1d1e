import { Type } from "@sinclair/typebox";
import { CarrierQuestion } from "../../core/quote/carriers/carrier-questions.ts";
import { Sample } from "../../core/samples/sample.ts";
import { byKindOf, closed, Id } from "../../core/schema/atoms.ts";
import { CarrierBehaviour } from "../carriers/simulated.ts";
import { Product, SampleCart } from "../catalogue/product.ts";
import { Standpoint } from "../saved/standpoint-schema.ts";

// What endpoints take, apart from documents that have a place of their own.

export const KeepSampleCart = byKindOf(
  "do",
  [
    Type.Object({ do: Type.Literal("keep"), cart: SampleCart }, closed),
    Type.Object({ do: Type.Literal("drop"), id: Id }, closed),
  ],
  "KeepSampleCart",
);

export const ReleaseRequest = Type.Object(
  {
    sequence: Type.Integer({ minimum: 0, description: "The draft's sequence that was looked at" }),
    moment: Type.Optional(Type.String({ format: "date-time", description: "From when it is to hold; else at once" })),
    note: Type.Optional(Type.String({ maxLength: 1000 })),
  },
  closed,
);

/** What is done with a release that waits. */
export const ChangeRelease = byKindOf(
  "do",
  [
    Type.Object({ do: Type.Literal("call-off") }, closed),
    Type.Object({ do: Type.Literal("freeze-anew") }, closed),
    Type.Object({ do: Type.Literal("switch-offer"), offer: Id, on: Type.Boolean() }, closed),
  ],
  "ChangeRelease",
);

/** Switches an offer in what shops get now. */
export const SwitchOffer = Type.Object({ offer: Id, on: Type.Boolean() }, closed);

export const KeepSamples = byKindOf(
  "do",
  [
    Type.Object({ do: Type.Literal("keep"), samples: Type.Array(Sample, { minItems: 1, maxItems: 1000 }) }, closed),
    Type.Object({ do: Type.Literal("drop"), ids: Type.Array(Id, { minItems: 1, maxItems: 1000 }) }, closed),
  ],
  "KeepSamples",
);

export const KeepStandpoint = byKindOf(
  "do",
  [
    Type.Object(
      { do: Type.Literal("keep"), id: Id, name: Type.String({ minLength: 1, maxLength: 100 }), body: Standpoint },
      closed,
    ),
    Type.Object({ do: Type.Literal("drop"), id: Id }, closed),
  ],
  "KeepStandpoint",
);

export const SaveProducts = Type.Object({ products: Type.Array(Product, { minItems: 1, maxItems: 100 }) }, closed);

const Cell = Type.String({ maxLength: 4000 });
export const ImportProducts = byKindOf(
  "do",
  [
    Type.Object(
      {
        do: Type.Literal("rows"),
        import: Id,
        header: Type.Array(Cell, { maxItems: 500 }),
        first: Type.Integer({ minimum: 2 }),
        rows: Type.Array(Type.Array(Cell, { maxItems: 500 }), { maxItems: 1000 }),
      },
      closed,
    ),
    Type.Object({ do: Type.Literal("preview"), import: Id }, closed),
    Type.Object({ do: Type.Literal("finish"), import: Id }, closed),
    Type.Object({ do: Type.Literal("drop"), import: Id }, closed),
  ],
  "ImportProducts",
);

export const AskCarriers = Type.Object(
  {
    questions: Type.Array(CarrierQuestion, { maxItems: 50 }),
    moods: Type.Optional(Type.Record(Type.String({ maxLength: 64 }), CarrierBehaviour)),
  },
  { additionalProperties: false },
);

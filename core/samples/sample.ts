import type { Quote } from "../quote/answer/quote.ts";
import { QuoteRequest } from "../request/request.ts";
import { closed, Id } from "../schema/atoms.ts";
import { type Static, Type } from "../schema/type.ts";

const Text = Type.String({ maxLength: 2000 });

/** What a shopper should see: prices of options by id (null: cannot be had), messages in the cart, states of steps. */
export const Expected = Type.Object(
  {
    options: Type.Record(Id, Type.Union([Type.Integer({ minimum: 0 }), Type.Null()])),
    messages: Type.Array(Text, { maxItems: 50 }),
    steps: Type.Record(Type.String({ maxLength: 130 }), Type.String({ maxLength: 20 }), {
      description: "By offer and step with a slash between: the state it is in",
    }),
    chosen: Type.Union([Id, Type.Null()]),
  },
  { ...closed, title: "Expected" },
);
export type Expected = Static<typeof Expected>;

/** A saved cart and standpoint, with what it is expected to see. */
export const Sample = Type.Object(
  {
    id: Id,
    name: Type.String({ minLength: 1, maxLength: 120 }),
    request: QuoteRequest,
    expected: Type.Optional(Expected),
  },
  { ...closed, title: "Sample" },
);
export type Sample = Static<typeof Sample>;
export const Samples = Type.Array(Sample, { maxItems: 5000, title: "Samples" });

/** What a quote shows, as a sample keeps it. */
export const seenIn = ({ options, messages, progress }: Quote): Expected => ({
  options: Object.fromEntries(options.filter(({ shown }) => shown).map(({ id, price }) => [id, price])),
  messages: messages.filter(({ surface }) => surface === "cart").map(({ text }) => text),
  steps: Object.fromEntries(progress.map(({ offer, step, state }) => [`${offer}/${step}`, state])),
  chosen: options.find(({ chosen }) => chosen)?.id ?? null,
});

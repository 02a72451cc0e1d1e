import { readdirSync, readFileSync } from "node:fs";
import { runInThisContext } from "node:vm";
import type { Plan } from "../../core/plan/plan.ts";
import { quote } from "../../core/quote/quote.ts";
import type { QuoteRequest } from "../../core/request/request.ts";
import { withFields } from "../../core/request/with-fields.ts";
import { compile } from "../../core/tariff/compile.ts";

// How many shapes (V8 calls them maps) objects of one kind have that quotes ask over and over. Up to four are looked up in passing;
// with one for each object every property takes several times as long to find. Run with --allow-natives-syntax.
const isSameShape: (one: object, other: object) => boolean = runInThisContext(
  "(one, other) => %HaveSameMap(one, other)",
);

function reportShapes(kind: string, objects: readonly object[]): void {
  const shapes: object[] = [];
  for (const one of objects) if (!shapes.some((other) => isSameShape(one, other))) shapes.push(one);
  console.log(`shapes of ${kind}: ${shapes.length} of ${objects.length}  (4 at most wanted)`);
}

const plan: Plan = JSON.parse(readFileSync("demo/plan.json", "utf8"));
const requests = readdirSync("demo/requests").map(
  (name): QuoteRequest => JSON.parse(readFileSync(`demo/requests/${name}`, "utf8")),
);

/** Often enough that V8 has learnt how they are made. */
const OFTEN = 50;
const made = Array.from({ length: OFTEN }, () => compile(plan)).at(-1);
if (!made || "problems" in made) throw new Error("the demo does not compile");
const { compiled } = made;
const offers = plan.markets.flatMap(({ id, currencies }) =>
  plan.zones
    .filter(({ market }) => market === id)
    .flatMap((zone) => currencies.flatMap((currency) => compiled.tariffOf(zone.id, currency)?.offers ?? [])),
);
reportShapes("offers", offers);
reportShapes(
  "steps",
  offers.flatMap(({ steps }) => steps),
);

const answered = Array.from({ length: OFTEN }, () =>
  requests.flatMap((request) => {
    const result = quote(compiled, request);
    return "problems" in result ? [] : [...result.quote.options];
  }),
);
reportShapes("options answered", answered.at(-1) ?? []);

// Each as it is read from a body: there they all have the keys that were sent.
const [first] = requests;
const sent = JSON.stringify(first);
reportShapes(
  "requests with counts",
  Array.from({ length: OFTEN }, () => withFields(JSON.parse(sent), { uses: [] })),
);

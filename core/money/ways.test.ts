import * as fc from "fast-check";
import { describe, expect, it } from "vitest";
import { fraction } from "./rational.ts";
import { type Claim, Ways } from "./ways.ts";

/** Figures and marks are halves, so that there are figures at every mark and between any two. */
const FIGURES = Array.from({ length: 13 }, (_, i) => i);
const MARKS = FIGURES.filter((figure) => figure % 2 === 1);
const ABOUT = ["price", 7] as const;

type Question = { readonly about: number; readonly is: Claim["is"]; readonly mark: number; readonly afterYes: boolean };

const question: fc.Arbitrary<Question> = fc.record({
  about: fc.constantFrom(0, 1),
  is: fc.constantFrom("at-least", "at-most"),
  mark: fc.constantFrom(...MARKS),
  afterYes: fc.boolean(),
});

/** Asks some questions in turn, a few of them only after a yes; what was answered is written down. */
function told(questions: readonly Question[], answer: (one: Question) => boolean): string {
  let path = "";
  for (const one of questions) {
    if (one.afterYes && !path.endsWith("y")) path += "-";
    else path += answer(one) ? "y" : "n";
  }
  return path;
}

const claimOf = ({ about, is, mark }: Question): Claim => ({ about: ABOUT[about] ?? 0, is, mark: fraction(mark, 2) });

describe("decisions that may turn out either way", () => {
  it("are taken every way that some figures make them turn out, each once, and no other", () => {
    fc.assert(
      fc.property(fc.array(question, { minLength: 1, maxLength: 6 }), fc.boolean(), (questions, first) => {
        const ways = new Ways();
        const taken: string[] = [];
        do taken.push(told(questions, (one) => ways.next(first, claimOf(one))));
        while (ways.other());
        const possible = new Set(
          FIGURES.flatMap((price) =>
            FIGURES.map((count) =>
              told(questions, ({ about, is, mark }) => {
                const figure = about === 0 ? price : count;
                return is === "at-least" ? figure >= mark : figure <= mark;
              }),
            ),
          ),
        );
        expect([...taken].sort()).toEqual([...possible].sort());
      }),
      { numRuns: 300 },
    );
  });

  it("are told by the sole one, where there is one alone", () => {
    const ways = new Ways();
    const claim: Claim = { about: 7, is: "at-least", mark: fraction(1, 2) };
    const sole = () => [ways.next(true, claim), ways.sole()];
    expect(sole()).toEqual([true, expect.objectContaining({ yes: true, claim })]);
    expect(ways.other()).toBe(true);
    expect(sole()).toEqual([false, expect.objectContaining({ yes: false, claim })]);
    expect(ways.next(true, null)).toBe(true);
    expect(ways.sole()).toBeNull();
    expect([ways.other(), ways.next(true, claim), ways.next(true, null)]).toEqual([true, false, false]);
    expect(ways.other()).toBe(false);
  });
});

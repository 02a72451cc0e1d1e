import * as fc from "fast-check";
import { describe, expect, it } from "vitest";
import { fraction } from "./rational.ts";
import { type Claim, forksOf, type Tried, Ways } from "./ways.ts";

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

  it("are forks that lead any figures to what comes of them", () => {
    fc.assert(
      fc.property(fc.array(question, { maxLength: 6 }), fc.boolean(), (questions, first) => {
        const ways = new Ways();
        const tried: Tried<string>[] = [];
        do {
          const outcome = told(questions, (one) => ways.next(first, claimOf(one)));
          tried.push({ outcome, decisions: ways.decisions() });
        } while (ways.other());
        for (const price of FIGURES)
          for (const count of FIGURES) {
            const isSo = ({ about, is, mark }: Claim) => {
              const doubled = (2 * Number(mark.n)) / Number(mark.d);
              const figure = about === "price" ? price : count;
              return is === "at-least" ? figure >= doubled : figure <= doubled;
            };
            let way = forksOf(tried);
            while (way.kind === "fork") {
              const { claim } = way.decision;
              if (!claim) throw new Error("every question is a claim");
              way = isSo(claim) ? way.yes : way.no;
            }
            expect(way.outcome).toBe(
              told(questions, ({ about, is, mark }) => {
                const figure = about === 0 ? price : count;
                return is === "at-least" ? figure >= mark : figure <= mark;
              }),
            );
          }
      }),
      { numRuns: 60 },
    );
    expect(() => forksOf([])).toThrow(RangeError);
  });

  it("are told in the order in which they are taken", () => {
    const ways = new Ways();
    const claim: Claim = { about: 7, is: "at-least", mark: fraction(1, 2) };
    const turnsOut = () => null;
    const taken = () => ways.decisions().map(({ yes, claim, turnsOut }) => [yes, claim, turnsOut]);
    expect([ways.next(true, claim, turnsOut), taken()]).toEqual([true, [[true, claim, turnsOut]]]);
    expect(ways.other()).toBe(true);
    expect([ways.next(true, claim), ways.next(true, null)]).toEqual([false, true]);
    const first = [false, claim, turnsOut];
    expect(taken()).toEqual([first, [true, null, expect.any(Function)]]);
    expect([ways.other(), ways.next(true, claim), ways.next(true, null)]).toEqual([true, false, false]);
    expect(taken()).toEqual([first, [false, null, expect.any(Function)]]);
    expect(ways.other()).toBe(false);
  });
});

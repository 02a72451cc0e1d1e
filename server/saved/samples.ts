import { exponentOf } from "../../core/money/currency.ts";
import { phrase } from "../../core/phrases/phrase.ts";
import { standpointProblems } from "../../core/request/standpoint-problems.ts";
import type { Sample } from "../../core/samples/sample.ts";
import type { Problem } from "../../core/schema/problem.ts";
import type { Checked } from "../../core/validation/checker.ts";
import { checkSample as checkSampleForm } from "../../core/validation/documents.ts";

/** A sample that can be quoted: of the right form, at a moment, in a language and a currency that exist. */
export function checkSample(data: unknown): Checked<Sample> {
  const checked = checkSampleForm(data);
  if ("problems" in checked) return checked;
  const { request } = checked.value;
  const problems: Problem[] = standpointProblems(request);
  if (exponentOf(request.currency) === undefined)
    problems.push({
      path: "/currency",
      message: phrase("{currency} is not an active ISO 4217 currency", { currency: request.currency }),
    });
  return problems.length > 0
    ? { problems: problems.map(({ path, message }) => ({ path: `/request${path}`, message })) }
    : checked;
}

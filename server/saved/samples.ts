import { exponentOf } from "../../core/money/currency.ts";
import { standpointProblems } from "../../core/request/standpoint-problems.ts";
import { Sample } from "../../core/samples/sample.ts";
import type { Problem } from "../../core/schema/problem.ts";
import { type Checked, checker } from "../../core/validation/checker.ts";

const checkForm = checker(Sample);

/** A sample that can be quoted: of the right form, at a moment, in a language and a currency that exist. */
export function checkSample(data: unknown): Checked<Sample> {
  const checked = checkForm(data);
  if ("problems" in checked) return checked;
  const { request } = checked.value;
  const problems: Problem[] = standpointProblems(request);
  if (exponentOf(request.currency) === undefined)
    problems.push({ path: "/currency", message: `${request.currency} is not an active ISO 4217 currency` });
  return problems.length > 0
    ? { problems: problems.map(({ path, message }) => ({ path: `/request${path}`, message })) }
    : checked;
}

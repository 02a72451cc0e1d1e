import { readFile } from "node:fs/promises";
import { parseArgs } from "node:util";
import { compile } from "../core/plan/compile.ts";
import type { Problem } from "../core/plan/problem.ts";
import { quote } from "../core/quote/quote.ts";
import type { Checked } from "../server/validation/checker.ts";
import { checkPlan, checkQuoteRequest } from "../server/validation/documents.ts";
import { readJson } from "../server/validation/read-json.ts";

const USAGE = `usage: summant quote --plan PLAN.json --request REQUEST.json
  Prints what a shopper gets, as JSON. "-" reads standard input. Bad input: a line per error with its path, exit code 2.
`;

/** Input that cannot be used: every line says where and why. */
class BadInput extends Error {
  readonly lines: readonly string[];
  constructor(lines: readonly string[]) {
    super(lines.join("\n"));
    this.lines = lines;
  }
}

/** @returns the exit code: 0 done, 2 bad input or usage */
export async function main(argv: string[]): Promise<number> {
  try {
    const [command, ...rest] = argv;
    if (command === "--help" || command === "help") {
      process.stdout.write(USAGE);
      return 0;
    }
    if (command !== "quote")
      throw new BadInput([command ? `there is no command "${command}"` : "no command given", USAGE.trimEnd()]);
    process.stdout.write(`${JSON.stringify(await quoteCommand(rest), null, 2)}\n`);
    return 0;
  } catch (error) {
    if (!(error instanceof BadInput)) throw error;
    for (const line of error.lines) process.stderr.write(`${line}\n`);
    return 2;
  }
}

async function quoteCommand(argv: string[]) {
  const { plan: planFile, request: requestFile } = optionsOf(argv);
  if (planFile === undefined || requestFile === undefined) throw new BadInput([USAGE.trimEnd()]);
  if (planFile === "-" && requestFile === "-")
    throw new BadInput(["only one of --plan and --request can be standard input"]);
  const plan = await readDocument(planFile, checkPlan);
  const request = await readDocument(requestFile, checkQuoteRequest);
  const compiled = compile(plan);
  if ("problems" in compiled) throw refused(planFile, compiled.problems);
  const result = quote(compiled.compiled, request);
  if ("problems" in result) throw refused(requestFile, result.problems);
  return result.quote;
}

function optionsOf(argv: string[]) {
  try {
    return parseArgs({ args: argv, options: { plan: { type: "string" }, request: { type: "string" } } }).values;
  } catch (error) {
    throw new BadInput([error instanceof Error ? error.message : String(error), USAGE.trimEnd()]);
  }
}

async function readDocument<T>(file: string, check: (data: unknown) => Checked<T>): Promise<T> {
  const json = readJson(await readText(file));
  if ("problems" in json) throw refused(file, json.problems);
  const checked = check(json.value);
  if ("problems" in checked) throw refused(file, checked.problems);
  return checked.value;
}

async function readText(file: string): Promise<string> {
  if (file === "-") {
    const chunks: Buffer[] = [];
    for await (const chunk of process.stdin) chunks.push(Buffer.from(chunk));
    return Buffer.concat(chunks).toString("utf8");
  }
  try {
    return await readFile(file, "utf8");
  } catch (error) {
    throw new BadInput([`${file}: cannot be read: ${error instanceof Error ? error.message : String(error)}`]);
  }
}

function refused(file: string, problems: readonly Problem[]): BadInput {
  const name = file === "-" ? "standard input" : file;
  return new BadInput(problems.map(({ path, message }) => `${name}: ${path || "/"} ${message}`));
}

import { readFile } from "node:fs/promises";
import { join } from "node:path";
import { parseArgs } from "node:util";
import { acceptedReason } from "../core/checks/finding.ts";
import { runChecks } from "../core/checks/run-checks.ts";
import { climb } from "../core/climb/climb.ts";
import { climbAsJson } from "../core/climb/interval.ts";
import type { PastOrder } from "../core/evidence/past-order.ts";
import { asRunning, Replay } from "../core/evidence/replay.ts";
import { whySentences } from "../core/explain/why-words.ts";
import { typedAmount } from "../core/money/typed.ts";
import { phrase } from "../core/phrases/phrase.ts";
import { ENGLISH, english, speakValue } from "../core/phrases/speak.ts";
import type { Plan } from "../core/plan/plan.ts";
import type { Why } from "../core/quote/answer/why.ts";
import { quote } from "../core/quote/quote.ts";
import { runSample } from "../core/samples/compare.ts";
import { isRecord } from "../core/schema/is-record.ts";
import type { Problem } from "../core/schema/problem.ts";
import { type CompiledPlan, compile } from "../core/tariff/compile.ts";
import { instantOf } from "../core/time/instant.ts";
import type { Checked } from "../core/validation/checker.ts";
import {
  checkPastOrder,
  checkPlan,
  checkQuoteRequest,
  checkRateTable,
  checkSamples,
} from "../core/validation/documents.ts";
import { ownCarriers, withCarrierAnswers } from "../server/carriers/ask-carriers.ts";
import { checkedFromFile } from "../server/catalogue/checked-products.ts";
import { calendarProblems, calendarsOf } from "../server/holidays/holidays.ts";
import { readRatesCsv } from "../server/rates/read-rates-csv.ts";
import { checkCatalogue, checkSignIn } from "../server/validation/documents.ts";
import { readJson } from "../server/validation/read-json.ts";
import { checkWholePlan } from "../server/validation/whole-plan.ts";
import { climbTable } from "./climb-table.ts";
import { replayTable } from "./replay-table.ts";

const USAGE = `usage:
  summant quote --plan PLAN.json --request REQUEST.json [--why [--words]]
                                                            what a shopper gets, as JSON; --why with every reason,
                                                            --words in sentences, for people
  summant climb --plan PLAN.json --request REQUEST.json [--to AMOUNT] [--table]
                                                            delivery prices over cart value; --table for people
  summant validate PLAN.json                                schema and references of a plan
  summant rates --csv RATES.csv --base EUR [--id ID]        published reference rates as a rate table of a plan
  summant check --plan PLAN.json [--samples SAMPLES.json] [--catalogue CATALOGUE.json] [--at MOMENT]
                                                            findings, and samples against what they should see; exit
                                                            code 1 when something is wrong or risky, or a sample differs
  summant replay --plan PLAN.json --orders ORDERS.jsonl [--at-its-own-moment] [--table]
                                                            what past orders, one a line, would have paid under a plan;
                                                            its offers all run, unless each is met at its own moment
  summant person NAME                                       a link by which NAME runs this store, where nobody else can
                                                            let them in: for whoever holds the machine it runs on
"-" reads standard input. Bad input: a line per error with its path, exit code 2.
`;

/** Input that cannot be used: every line says where and why. */
class BadInput extends Error {
  readonly lines: readonly string[];
  constructor(lines: readonly string[]) {
    super(lines.join("\n"));
    this.lines = lines;
  }
}

/** What a command prints, and the exit code where it is not 0. */
type Answer = string | { text: string; code: number; told?: readonly string[] };

/** What the program prints, and its exit code: 0 done, 1 a check falls short, 2 bad input or usage. */
export type Printed = { code: number; out: string; err: string };

/**
 * The whole program, without a process around it.
 *
 * @param standardInput read at most once, for a file called "-"
 * @example await main(["validate", "demo/plan.json"], async () => "")
 */
export async function main(argv: string[], standardInput: () => Promise<string>): Promise<Printed> {
  const read = (file: string) => (file === "-" ? standardInput() : readFromDisk(file));
  try {
    const [command, ...rest] = argv;
    if (command === "--help" || command === "help") return { code: 0, out: USAGE, err: "" };
    const run = command === undefined ? undefined : COMMANDS.get(command);
    if (!run) throw new BadInput([command ? `there is no command "${command}"` : "no command given", USAGE.trimEnd()]);
    const answer = await run(rest, read);
    const { text, code, told = [] } = typeof answer === "string" ? { text: answer, code: 0 } : answer;
    return { code, out: `${text}\n`, err: told.map((line) => `${line}\n`).join("") };
  } catch (error) {
    if (!(error instanceof BadInput)) throw error;
    return { code: 2, out: "", err: error.lines.map((line) => `${line}\n`).join("") };
  }
}

/** The text of a file, or of standard input. */
type Read = (file: string) => Promise<string>;
type Command = (argv: string[], read: Read) => Promise<Answer>;

const COMMANDS: ReadonlyMap<string, Command> = new Map<string, Command>([
  ["quote", quoteCommand],
  ["climb", climbCommand],
  ["validate", validateCommand],
  ["rates", ratesCommand],
  ["check", checkCommand],
  ["replay", replayCommand],
  ["person", personCommand],
]);

/** A paragraph for each option, its first line the price. */
const whyText = (plan: Plan, accounts: readonly Why[], currency: string): string =>
  accounts
    .flatMap((why) => why.options.map(({ option }) => whySentences(plan, why, option, currency)))
    .map((sentences) => sentences.map(({ text }, i) => (i === 0 ? english(text) : `  ${english(text)}`)).join("\n"))
    .join("\n\n");

async function replayCommand(argv: string[], read: Read): Promise<Answer> {
  const options = optionsOf(argv, ["plan", "orders", "at-its-own-moment", "table"]);
  const { plan: planFile, orders: ordersFile } = options;
  if (planFile === undefined || ordersFile === undefined) throw new BadInput([USAGE.trimEnd()]);
  if (planFile === "-" && ordersFile === "-")
    throw new BadInput(["only one of --plan and --orders can be standard input"]);
  const plan = await readDocument(read, planFile, checkPlan);
  const orders = pastOrders(await read(ordersFile), ordersFile);
  const wanted = options["at-its-own-moment"] === undefined ? asRunning(plan) : plan;
  const [first] = orders;
  const compiled = await compiledFrom(planFile, wanted, first ? instantOf(first.order.request.at) : Date.now());
  const replay = new Replay(compiled);
  for (const { line, order } of orders) {
    const problems = replay.add(order);
    if (problems.length > 0) throw refused(lineOf(ordersFile, line), problems);
  }
  const result = replay.result();
  const told = ["shoppers are taken as acting as they did"];
  return { text: options.table === undefined ? asJson(result) : replayTable(result), code: 0, told };
}

/** @example lineOf("orders.jsonl", 3) // "orders.jsonl, line 3" */
const lineOf = (file: string, line: number) => `${file === "-" ? "standard input" : file}, line ${line}`;

/** At most so many faults of a file are told. */
const MOST_FAULTS = 100;

/** Orders, one a line, empty lines apart. @throws BadInput with every fault of the file */
function pastOrders(text: string, file: string): { readonly line: number; readonly order: PastOrder }[] {
  const faults: string[] = [];
  const orders = text.split("\n").flatMap((one, i) => {
    if (one.trim() === "") return [];
    const json = readJson(one);
    const checked = "problems" in json ? json : checkPastOrder(json.value);
    if ("value" in checked) return [{ line: i + 1, order: checked.value }];
    faults.push(...refused(lineOf(file, i + 1), checked.problems).lines);
    return [];
  });
  if (faults.length === 0) return orders;
  const more = faults.length - MOST_FAULTS;
  throw new BadInput([...faults.slice(0, MOST_FAULTS), ...(more > 0 ? [`and ${more} more`] : [])]);
}

const NO_STORE = "no store runs here: start it with npm start, or set SUMMANT_DATABASE_URL";

/** The store that runs here: where its database is, and its address, which the start command keeps for this. */
async function runningStore(): Promise<{ database: string; address: string; isOutside: boolean }> {
  const { SUMMANT_DATABASE_URL: outside, SUMMANT_DATA: folder = ".data" } = process.env;
  const text = await readFile(join(folder, "running.json"), "utf8").catch(() => "{}");
  const kept: unknown = JSON.parse(text);
  const at = (name: string) =>
    isRecord(kept) && typeof kept[name] === "string" && kept[name] !== "" ? kept[name] : undefined;
  const database = outside || at("database");
  if (database === undefined) throw new BadInput([NO_STORE]);
  return { database, address: at("address") ?? "", isOutside: Boolean(outside) };
}

async function personCommand(argv: string[]): Promise<string> {
  const [name, ...rest] = argv;
  if (name === undefined || rest.length > 0 || "problems" in checkSignIn({ name, password: "" }))
    throw new BadInput(["usage: summant person NAME, a name of at most 100 characters"]);
  const { database, address, isOutside } = await runningStore();
  // Nothing else of the command line needs a database.
  const { letRun } = await import("./person.ts");
  const made = await letRun(database, name);
  if ("problem" in made) throw new BadInput([isOutside ? made.problem : NO_STORE]);
  return `${address}/sign-in#${made.link}`;
}

const asJson = (value: unknown) => JSON.stringify(value, null, 2);

async function quoteCommand(argv: string[], read: Read): Promise<Answer> {
  const options = optionsOf(argv, ["plan", "request", "why", "words"]);
  const { compiled, request, requestFile } = await planAndRequest(options, read);
  const result = quote(compiled, request, { why: options.why !== undefined });
  if ("problems" in result) throw refused(requestFile, result.problems);
  const { why } = result.quote;
  const text =
    options.words === undefined || !why ? asJson(result.quote) : whyText(compiled.plan, why, request.currency);
  const told = (result.unsaid ?? []).map((one) => `left out, since ${one.why}: ${JSON.stringify(one.text)}`);
  return { text, code: 0, told };
}

async function climbCommand(argv: string[], read: Read): Promise<string> {
  const options = optionsOf(argv, ["plan", "request", "to", "table"]);
  const { compiled, request, requestFile } = await planAndRequest(options, read);
  const end = options.to === undefined ? { minor: DEFAULT_CLIMB } : typedAmount(options.to, request.currency);
  if ("problem" in end) throw new BadInput([`--to: ${english(end.problem)}`]);
  if (end.minor > LONGEST_CLIMB) throw new BadInput([`--to: at most ${LONGEST_CLIMB} minor units`]);
  const result = climb(compiled, request, end.minor);
  if ("problems" in result) throw refused(requestFile, result.problems);
  if (!result.climb) throw new BadInput([`${requestFile}: /destination nobody delivers there`]);
  return options.table === undefined ? asJson(climbAsJson(result.climb)) : climbTable(result.climb);
}

/** Minor units: enough for every goal of the demo, and few enough to wait for. */
const DEFAULT_CLIMB = 20_000;
const LONGEST_CLIMB = 10_000_000;

async function validateCommand(argv: string[], read: Read): Promise<string> {
  const [file, ...more] = argv;
  if (file === undefined || more.length > 0) throw new BadInput([USAGE.trimEnd()]);
  const plan = await readDocument(read, file, checkWholePlan);
  await compiledFrom(file, plan, Date.now());
  const count = (list: readonly unknown[], one: string) => `${list.length} ${one}${list.length === 1 ? "" : "s"}`;
  const parts = [
    count(plan.markets, "market"),
    count(plan.zones, "zone"),
    count(plan.options, "option"),
    count(plan.offers, "offer"),
  ];
  return `${file}: valid, ${parts.join(", ")}`;
}

/** Findings that nobody has accepted, and samples that see something else than they should. */
async function checkCommand(argv: string[], read: Read): Promise<Answer> {
  const {
    plan: planFile,
    samples: samplesFile,
    catalogue: catalogueFile,
    at,
  } = optionsOf(argv, ["plan", "samples", "catalogue", "at"]);
  if (planFile === undefined) throw new BadInput([USAGE.trimEnd()]);
  const moment = at === undefined ? Date.now() : instantOf(at);
  if (Number.isNaN(moment)) throw new BadInput([`--at: "${at}" is no moment such as 2026-11-24T12:00:00Z`]);
  const compiled = await compiledFrom(planFile, await readDocument(read, planFile, checkPlan), moment);
  const samples = samplesFile === undefined ? [] : await readDocument(read, samplesFile, checkSamples);
  const addresses = samples.map(({ name, request }) => ({
    whose: phrase("The sample “{name}”", { name }),
    destination: request.destination,
  }));
  const products =
    catalogueFile === undefined ? [] : (await readDocument(read, catalogueFile, checkCatalogue)).map(checkedFromFile);
  const accepted = compiled.plan.store.accepted ?? [];
  const findings = [...runChecks(compiled, { at: moment, products, uses: {}, addresses })]
    .flatMap((checked) => checked.findings)
    .filter((finding) => acceptedReason(finding, accepted) === undefined);
  const runs = samples.map((sample) => runSample(compiled, sample));
  const fallen = runs.filter(({ differences }) => differences.length > 0);
  const lines = [
    ...findings.map(
      ({ severity, code, at: { kind, id, path }, sentence }) =>
        `${severity} ${code} ${kind}/${id}${path}: ${english(sentence)}`,
    ),
    ...fallen.flatMap(({ sample, differences }) =>
      differences.map(
        ({ about, expected, found }) =>
          `sample ${sample.id}: ${english(about)}: expected ${speakValue(expected, ENGLISH)}, found ${speakValue(found, ENGLISH)}`,
      ),
    ),
    `${findings.length} findings, ${runs.length - fallen.length} of ${runs.length} samples as expected`,
  ];
  const serious = findings.some(({ severity }) => severity !== "odd");
  return { text: lines.join("\n"), code: serious || fallen.length > 0 ? 1 : 0 };
}

async function ratesCommand(argv: string[], read: Read): Promise<string> {
  const { csv, base, id } = optionsOf(argv, ["csv", "base", "id"]);
  if (csv === undefined || base === undefined) throw new BadInput([USAGE.trimEnd()]);
  const table = readRatesCsv(await read(csv), id ?? "reference", base);
  if ("problems" in table) throw refused(csv, table.problems);
  const checked = checkRateTable(table.value);
  if ("problems" in checked) throw refused(csv, checked.problems);
  return asJson(checked.value);
}

type Options = {
  plan?: string;
  request?: string;
  to?: string;
  table?: string;
  why?: string;
  words?: string;
  csv?: string;
  base?: string;
  id?: string;
  samples?: string;
  catalogue?: string;
  at?: string;
  orders?: string;
  "at-its-own-moment"?: string;
};

const FLAGS: ReadonlySet<string> = new Set(["table", "why", "words", "at-its-own-moment"]);

function optionsOf(argv: string[], known: readonly (keyof Options)[]): Options {
  try {
    const options = Object.fromEntries(
      known.map((name) => [name, { type: FLAGS.has(name) ? ("boolean" as const) : ("string" as const) }]),
    );
    const { values } = parseArgs({ args: argv, options });
    return Object.fromEntries(Object.entries(values).map(([name, value]) => [name, String(value)]));
  } catch (error) {
    throw new BadInput([error instanceof Error ? error.message : String(error), USAGE.trimEnd()]);
  }
}

async function planAndRequest({ plan: planFile, request: requestFile }: Options, read: Read) {
  if (planFile === undefined || requestFile === undefined) throw new BadInput([USAGE.trimEnd()]);
  if (planFile === "-" && requestFile === "-")
    throw new BadInput(["only one of --plan and --request can be standard input"]);
  const plan = await readDocument(read, planFile, checkPlan);
  const asked = await readDocument(read, requestFile, checkQuoteRequest);
  const compiled = await compiledFrom(planFile, plan, instantOf(asked.at));
  return { compiled, request: await withCarrierAnswers(compiled, asked, ownCarriers()), requestFile };
}

/** @param at public holidays are looked up around this moment */
async function compiledFrom(file: string, plan: Plan, at: number): Promise<CompiledPlan> {
  const result = compile(plan, await calendarsOf(plan, at));
  const problems = "problems" in result ? result.problems : await calendarProblems(plan, at);
  if ("problems" in result || problems.length > 0) throw refused(file, problems);
  return result.compiled;
}

async function readDocument<T>(read: Read, file: string, check: (data: unknown) => Checked<T>): Promise<T> {
  const json = readJson(await read(file));
  if ("problems" in json) throw refused(file, json.problems);
  const checked = check(json.value);
  if ("problems" in checked) throw refused(file, checked.problems);
  return checked.value;
}

async function readFromDisk(file: string): Promise<string> {
  try {
    return await readFile(file, "utf8");
  } catch (error) {
    throw new BadInput([`${file}: cannot be read: ${error instanceof Error ? error.message : String(error)}`]);
  }
}

function refused(file: string, problems: readonly Problem[]): BadInput {
  const name = file === "-" ? "standard input" : file;
  return new BadInput(problems.map(({ path, message }) => `${name}: ${path || "/"} ${english(message)}`));
}

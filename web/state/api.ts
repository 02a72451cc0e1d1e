import type { CheckedAddress, CheckedProduct, GoalReach } from "../../core/checks/check.ts";
import { type Phrase, phrase } from "../../core/phrases/phrase.ts";
import { english } from "../../core/phrases/speak.ts";
import type { Entity } from "../../core/plan/entities.ts";
import type { CarrierQuestion, CarrierReply } from "../../core/quote/carriers/carrier-questions.ts";
import type { Sample } from "../../core/samples/sample.ts";
import { problemPhrase } from "../../core/schema/problem.ts";
import type { Carrier } from "../../server/carriers/carrier.ts";
import type { CarrierBehaviour } from "../../server/carriers/simulated.ts";
import type { CatalogueNames, CatalogueProduct } from "../../server/catalogue/catalogue.ts";
import type { ImportPreview } from "../../server/catalogue/import-products.ts";
import type { Product, SampleCart } from "../../server/catalogue/product.ts";
import type { Conflict, SavedChanges } from "../../server/draft/change-set.ts";
import type { ChangeSet } from "../../server/draft/change-set-schema.ts";
import type { Draft } from "../../server/draft/read-draft.ts";
import type { PointedProblem } from "../../server/http/problem-document.ts";
import type { Region } from "../../server/places/regions.ts";
import type { ReleaseAsked } from "../../server/releases/asked-releases.ts";
import type { Release } from "../../server/releases/release.ts";
import type { ReleasedPlan } from "../../server/releases/releases.ts";
import type { Saved, SetAside } from "../../server/saved/saved.ts";
import type { Standpoint } from "../../server/saved/standpoint-schema.ts";
import { say } from "../language/say.ts";
import { tellSignedOut } from "./signed-out.ts";

/** What an endpoint answered when it did not do what was asked; `offline` when nothing answered at all. */
export class ApiError extends Error {
  readonly status: number | "offline";
  /** Its message, for whoever reads another language. */
  readonly said: Phrase;
  readonly conflicts: Conflict[];
  /** What was wrong and where, by RFC 9457. */
  readonly problems: readonly PointedProblem[];
  /** What else is needed: to sign in, a code. */
  readonly wants: "code" | undefined;
  constructor(
    status: number | "offline",
    title: Phrase,
    { errors = [], conflicts = [], wants }: Omit<ProblemBody, "phrase"> = {},
  ) {
    super(english(title));
    this.said = title;
    this.status = status;
    this.problems = errors;
    this.wants = wants;
    this.conflicts = conflicts;
  }
  /** The problems as lines to read. */
  get lines(): string[] {
    return this.problems.map(({ pointer, phrase: message, place }) =>
      say(problemPhrase({ path: pointer.replace(/^#/, ""), message, ...(place ? { place } : {}) })),
    );
  }
  /** Worth trying again unchanged: the server or its database was away. */
  get passing(): boolean {
    return this.status === "offline" || this.status >= 500;
  }
}

/** A carrier that can be asked, with its services. */
export type CarrierChoice = Pick<Carrier, "id" | "name" | "services">;

type ProblemBody = { phrase?: Phrase; errors?: PointedProblem[]; conflicts?: Conflict[]; wants?: "code" };

/** Asks an endpoint, or posts to it. @throws ApiError when it does not do what was asked */
export const call = <T>(path: string, body?: unknown): Promise<T> =>
  callWith<T>(path, body === undefined ? undefined : JSON.stringify(body));

async function callWith<T>(path: string, body: string | undefined): Promise<T> {
  const init = body === undefined ? {} : { method: "POST", headers: { "content-type": "application/json" }, body };
  let response: Response;
  try {
    response = await fetch(path, init);
  } catch {
    throw new ApiError("offline", phrase("The server does not answer"));
  }
  if (response.ok) return response.json();
  if (response.status === 401) tellSignedOut();
  const problem: ProblemBody = await response.json().catch(() => ({}));
  throw new ApiError(
    response.status,
    problem.phrase ?? phrase("The server answered {status}", { status: response.status }),
    problem,
  );
}

/** What went wrong, without the places. */
export const errorWords = (error: unknown): string =>
  error instanceof ApiError ? say(error.said) : error instanceof Error ? error.message : String(error);

/** An error in words, with each place that is wrong. @example "The plan would break; /offers/2/name is missing" */
export const problemWords = (error: Error): string =>
  error instanceof ApiError ? [say(error.said), ...error.lines].join("; ") : error.message;

/** What is done with a release that waits. */
type ReleaseChange = { number: number } & (
  | { do: "call-off" | "freeze-anew" }
  | { do: "switch-offer"; offer: string; on: boolean }
);
type KeptStandpoints = { standpoints: Saved<Standpoint>[]; setAside: SetAside[] };
type KeptSamples = { samples: Sample[]; setAside: SetAside[] };

export const api = {
  draft: () => call<Draft>("/api/draft"),
  change: (changeSet: ChangeSet) => call<SavedChanges>("/api/draft/changes", changeSet),
  /** Checks a plan file as it is; the server says what is wrong with it and where. */
  checkPlan: (text: string) => callWith<{ entities: Entity[] }>("/api/draft/check", text),
  /** @param skus products to have besides those in sample carts */
  catalogue: (skus: readonly string[]) =>
    call<{ products: CatalogueProduct[]; carts: SampleCart[] }>(
      `/api/catalogue?${new URLSearchParams(skus.map((sku) => ["sku", sku]))}`,
    ),
  products: (query: { search: string } | { missing: "weight" }) =>
    call<{ products: CatalogueProduct[]; tally: { products: number; withoutWeight: number } }>(
      `/api/products?${new URLSearchParams(query)}`,
    ),
  catalogueNames: () => call<CatalogueNames>("/api/products/names"),
  saveProducts: (products: readonly Product[]) => call<object>("/api/products", { products }),
  importProducts: (part: object) => call<{ taken?: number }>("/api/products/import", part),
  previewImport: (id: string) => call<ImportPreview>("/api/products/import", { do: "preview", import: id }),
  keepCart: (cart: SampleCart) => call<object>("/api/sample-carts", { do: "keep", cart }),
  dropCart: (id: string) => call<object>("/api/sample-carts", { do: "drop", id }),
  standpoints: () => call<KeptStandpoints>("/api/standpoints"),
  keepStandpoint: (kept: Saved<Standpoint>) => call<KeptStandpoints>("/api/standpoints", { do: "keep", ...kept }),
  dropStandpoint: (id: string) => call<KeptStandpoints>("/api/standpoints", { do: "drop", id }),
  askCarriers: (questions: readonly CarrierQuestion[], moods: Readonly<Record<string, CarrierBehaviour>>) =>
    call<{ replies: (CarrierReply | null)[] }>("/api/carriers", { questions, moods }),
  carriers: () => call<CarrierChoice[]>("/api/carriers"),
  regions: (country: string) => call<{ regions: Region[] }>(`/api/regions/${country}`),
  surroundings: () =>
    call<{
      products: CheckedProduct[];
      uses: Record<string, number>;
      addresses: CheckedAddress[];
      reach: GoalReach[];
    }>("/api/checks/surroundings"),
  samples: () => call<KeptSamples>("/api/samples"),
  keepSamples: (samples: readonly Sample[]) => call<KeptSamples>("/api/samples", { do: "keep", samples }),
  dropSamples: (ids: readonly string[]) => call<KeptSamples>("/api/samples", { do: "drop", ids }),
  /** How often each offer has been used, by its id. */
  uses: () => call<{ uses: Record<string, number> }>("/api/redemptions"),
  releases: () => call<{ releases: Release[]; asked: ReleaseAsked | null }>("/api/releases"),
  release: (wanted: { sequence: number; moment?: string; note?: string }) =>
    call<Release | { asked: ReleaseAsked }>("/api/releases", wanted),
  releasedAs: (number: number) => call<ReleasedPlan>(`/api/releases/${number}`),
  changeRelease: ({ number, ...change }: ReleaseChange) => call<Release>(`/api/releases/${number}`, change),
  /** Switches an offer off, or on again, in what shops get now. */
  switchOffer: (offer: string, on: boolean) => call<Release>("/api/releases/offers", { offer, on }),
};

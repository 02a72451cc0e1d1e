import type { Entity } from "../../core/plan/entities.ts";
import type { Draft } from "../../server/draft/read-draft.ts";
import { asStored } from "../state/after-save.ts";

/** A request that the page makes: what it asks for, and how it is answered. */
export type Asked = {
  readonly path: string;
  readonly body: unknown;
  readonly answer: (value: unknown, status?: number) => void;
};

/**
 * Stands in for the network of a component under test: what the page asks of the server is held until the test answers it, in
 * whatever order. Answers to what is not of interest are given at once.
 *
 * @param known answers by path, without what follows a question mark
 */
export function standInServer(known: Readonly<Record<string, unknown>>): { readonly asked: Asked[] } {
  const asked: Asked[] = [];
  Object.assign(globalThis, {
    fetch: (input: string, init?: RequestInit) => {
      const path = String(input).split("?")[0] ?? "";
      const body: unknown = typeof init?.body === "string" ? JSON.parse(init.body) : undefined;
      if (body === undefined && Object.hasOwn(known, path)) return Promise.resolve(response(known[path]));
      return new Promise((resolve) => {
        asked.push({ path, body, answer: (value, status = 200) => resolve(response(value, status)) });
      });
    },
  });
  return { asked };
}

const response = (value: unknown, status = 200) =>
  new Response(JSON.stringify(value), { status, headers: { "content-type": "application/json" } });

let sequence = 0;

/** A draft of these entities that is newer than any before it, in the order in which a server reads it. */
export function draftOf(entities: readonly Entity[]): Draft {
  sequence += 1;
  return {
    sequence,
    entities: entities.map((entity) => ({ ...entity, revision: sequence })).sort(asStored),
    unreadable: [],
    release: null,
    lastRelease: 0,
    waiting: [],
    calendars: {},
    changes: [],
  };
}

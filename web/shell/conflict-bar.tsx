import type { Market } from "../../core/places/market.ts";
import { differences } from "../../core/plan/differences.ts";
import { type Entity, entityKinds } from "../../core/plan/entities.ts";
import type { Plan } from "../../core/plan/plan.ts";
import type { Conflict } from "../../server/draft/change-set.ts";
import { say } from "../language/say.ts";
import { entityName, entityWords } from "../names/entity-words.ts";
import { draftStore } from "../state/use-draft.ts";

type Props = { conflict: Conflict; plan: Plan | null; market: Market | null };

/** More would fill the screen; that there are more is said. */
const MOST_ROWS = 8;

/** Someone saved the same thing first: which, both versions with all that differs, and the choice between them. */
export function ConflictBar({ conflict, plan, market }: Props) {
  const { kind, id } = conflict;
  const saved = entityIn({ kind, id, body: conflict.current.body });
  const mine = entityIn({ kind, id, body: conflict.yours });
  const name = mine ? entityName(mine) : saved ? entityName(saved) : id;
  const words = (entity: Entity | null) =>
    entity === null ? say("removed") : plan ? entityWords(entity, plan, market, "") : entityName(entity);
  const rows = saved && mine ? differences(saved.body, mine.body) : [];
  return (
    <section role="alert" className="mb-4 border border-warning bg-base-100 p-3">
      <h2 className="font-semibold text-warning">
        {say("Someone else changed this while you did: {kind} “{name}”", { kind, name })}
      </h2>
      <table className="my-2 w-full text-left">
        <thead className="text-[13px] text-quiet">
          <tr>
            <th scope="col" className="w-1/4 pr-3 font-normal">
              {say("What differs")}
            </th>
            <th scope="col" className="pr-3 font-normal">
              {say("Saved now")}
            </th>
            <th scope="col" className="font-normal">
              {say("Yours")}
            </th>
          </tr>
        </thead>
        <tbody className="align-top">
          <tr>
            <th scope="row" className="pr-3 font-normal text-quiet">
              {say("In words")}
            </th>
            <td className="pr-3">{words(saved)}</td>
            <td>{words(mine)}</td>
          </tr>
          {rows.slice(0, MOST_ROWS).map(({ path, before, after }) => (
            <tr key={path} className="border-t border-base-300">
              <th scope="row" className="pr-3 font-normal text-quiet">
                {pathWords(path)}
              </th>
              <td className="pr-3 break-words">{valueWords(before)}</td>
              <td className="break-words">{valueWords(after)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {rows.length > MOST_ROWS && (
        <p className="mb-2 text-quiet">{say("and {count} more differences", { count: rows.length - MOST_ROWS })}</p>
      )}
      <button type="button" className="btn btn-sm btn-neutral mr-2" onClick={() => void draftStore.settle("mine")}>
        {say("Save mine over it")}
      </button>
      <button type="button" className="btn btn-sm" onClick={() => void draftStore.settle("theirs")}>
        {say("Take what is saved")}
      </button>
    </section>
  );
}

/** Null for what is not there; what is there was checked by the server that sent it. */
const entityIn = (value: unknown): Entity | null => (isEntity(value) ? value : null);

const isEntity = (value: unknown): value is Entity =>
  typeof value === "object" &&
  value !== null &&
  "kind" in value &&
  entityKinds().some((kind) => kind === value.kind) &&
  "body" in value &&
  value.body !== null;

/** @example pathWords("/steps/0/atLeast/byCurrency/EUR") // "steps 1 · at least · by currency · EUR" */
function pathWords(path: string): string {
  const parts = path.split("/").slice(1);
  const words = parts.map((part) => (/^\d+$/.test(part) ? String(Number(part) + 1) : apart(part)));
  return words.reduce((said, word) => (/^\d+$/.test(word) ? `${said} ${word}` : `${said} · ${word}`));
}

/** @example apart("byCurrency") // "by currency" */
const apart = (key: string) =>
  key.replace(/[a-z](?=[A-Z])/g, "$& ").replace(/ [A-Z](?=[a-z])/g, (letter) => letter.toLowerCase());

function valueWords(value: unknown): string {
  if (value === undefined) return say("nothing");
  return typeof value === "string" ? value : JSON.stringify(value);
}

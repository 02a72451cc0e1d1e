import { Link } from "wouter";
import { type Phrase, phrase } from "../../../core/phrases/phrase.ts";
import type { EventKind } from "../../../server/log/events.ts";
import type { LogLine } from "../../../server/log/read-log.ts";
import { say } from "../../language/say.ts";
import { momentHere } from "../../names/moment-words.ts";
import { ChangeInLog } from "./change-in-log.tsx";

/** One line of the log: when, who, what. */
export const LogRow = ({ line }: { line: LogLine }) => (
  <li className="grid grid-cols-[minmax(0,11rem)_minmax(0,1fr)] gap-x-4 border-b border-base-300 py-2.5">
    <span className="text-[13px] text-quiet">
      {momentHere(line.at)}
      <span className="block font-semibold text-base-content">{line.by}</span>
    </span>
    <div>
      <What line={line} />
    </div>
  </li>
);

function What({ line }: { line: LogLine }) {
  switch (line.part) {
    case "changes":
      return (
        <ul className="grid gap-2">
          {line.changes.map((change) => (
            <ChangeInLog key={`${change.kind} ${change.id}`} change={change} />
          ))}
          {line.more > 0 && (
            <li className="text-[13px] text-quiet">{say("And {count} more things", { count: line.more })}</li>
          )}
        </ul>
      );
    case "releases":
      return (
        <>
          <Link className="link" href={`/release#${line.number}`}>
            {line.did === "released"
              ? say("Released number {number}", { number: line.number })
              : say("Called off release {number}", { number: line.number })}
          </Link>
          {line.askedBy !== null && <> {say("that {who} had asked for", { who: line.askedBy })}</>}
          {line.note !== "" && <span className="block text-[13px] text-quiet">{line.note}</span>}
        </>
      );
    case "claims":
      return (
        <>
          {line.did === "claimed"
            ? say("Order {order} claimed {offer}", { order: line.order, offer: line.offer })
            : say("Order {order} gave {offer} back", { order: line.order, offer: line.offer })}
        </>
      );
    case "people":
      return (
        <>
          {say(EVENT_WORDS[line.what])}
          {line.about !== "" && <>: {line.about}</>}
          {line.address !== "" && (
            <span className="block text-[13px] text-quiet">{say("from {address}", { address: line.address })}</span>
          )}
        </>
      );
  }
}

const EVENT_WORDS: Readonly<Record<EventKind, Phrase>> = {
  "signed-in": phrase("Signed in"),
  "sign-in-failed": phrase("Did not get in: name, password or code was wrong"),
  "signed-out": phrase("Signed out"),
  "password-set": phrase("Set a password"),
  "factor-set": phrase("Switched a second factor on"),
  "factor-off": phrase("Switched a second factor off"),
  invited: phrase("Invited"),
  "role-set": phrase("Set a role"),
  "link-made": phrase("Made a link to sign in by"),
  "person-left": phrase("Took out"),
  "sessions-ended": phrase("Ended sessions"),
  "key-made": phrase("Made a key"),
  "key-revoked": phrase("Revoked a key"),
  "settings-set": phrase("Changed a setting"),
  "release-asked": phrase("Asked for a release"),
  "shopper-exported": phrase("Exported a shopper's data"),
  "shopper-erased": phrase("Erased a shopper's data"),
};

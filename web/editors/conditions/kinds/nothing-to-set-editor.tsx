import { say } from "../../../language/say.ts";

/** A clause that is so or is not. */
export function NothingToSet() {
  return <p className="text-[13px] text-quiet">{say("Nothing to set.")}</p>;
}

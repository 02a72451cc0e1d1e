import { say } from "../language/say.ts";

/** Stands where something is on its way. */
export const Loading = () => <p className="text-quiet">{say("Loading…")}</p>;

import { phrase } from "../../core/phrases/phrase.ts";
import { problemAnswer } from "./problem-document.ts";

/** The answer to a password, or a link, that came where others could read it. */
export const NOT_PRIVATE = problemAnswer(403, phrase("Signing in goes by HTTPS, or on this machine alone"), {
  detail: phrase("Behind a proxy that speaks HTTPS, name its address in SUMMANT_PROXIES."),
});

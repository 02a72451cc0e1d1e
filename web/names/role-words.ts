import { type Phrase, phrase } from "../../core/phrases/phrase.ts";
import type { Role } from "../../server/people/person.ts";

/** What a role lets somebody do, after "may". */
export const ROLE_WORDS: Readonly<Record<Role, Phrase>> = {
  look: phrase("look"),
  edit: phrase("look and edit the draft"),
  release: phrase("edit and release"),
  run: phrase("do everything: edit, release, people, keys and settings"),
};

import { type Static, type TSchema, Type } from "@sinclair/typebox";
import { byKindOf, closed } from "../../core/schema/atoms.ts";
import { IDENTIFIER_PATTERN } from "../../core/schema/identifier.ts";
import { ROLES } from "./person.ts";

// What the endpoints take that are about people.

const Name = Type.String({
  minLength: 1,
  maxLength: 100,
  pattern: IDENTIFIER_PATTERN,
  description: "Not blank, without control characters",
});
/** As it was typed: whether it can be one is told in words. */
const Password = Type.String({ maxLength: 1000 });
const Code = Type.String({ maxLength: 20 });
const Token = Type.String({ maxLength: 100 });
const PersonNumber = Type.Integer({ minimum: 1, maximum: 4_294_967_295 });
const ARole = Type.Union(ROLES.map((role) => Type.Literal(role)));

const todo = <const Name extends string, Parts extends Record<string, TSchema>>(name: Name, parts: Parts) =>
  Type.Object({ do: Type.Literal(name), ...parts }, closed);

export const SignIn = Type.Object({ name: Name, password: Password, code: Type.Optional(Code) }, closed);

export const UseLink = byKindOf(
  "do",
  [todo("look", { token: Token }), todo("use", { token: Token, password: Type.Optional(Password) })],
  "UseLink",
);

export const ChangeAccount = byKindOf(
  "do",
  [
    todo("sign-out", {}),
    todo("end-session", { session: Type.Integer({ minimum: 1 }) }),
    todo("end-other-sessions", {}),
    todo("set-password", { current: Password, password: Password }),
    todo("begin-factor", {}),
    todo("factor-on", {
      secret: Type.String({ minLength: 32, maxLength: 32, pattern: "^[A-Z2-7]+$" }),
      code: Code,
      current: Password,
    }),
    todo("factor-off", { current: Password }),
  ],
  "ChangeAccount",
);

export const ChangePeople = byKindOf(
  "do",
  [
    todo("invite", { name: Name, role: ARole }),
    todo("set-role", { person: PersonNumber, role: ARole }),
    todo("take-out", { person: PersonNumber }),
    todo("make-link", { person: PersonNumber, losesFactor: Type.Boolean() }),
  ],
  "ChangePeople",
);
export type ChangePeople = Static<typeof ChangePeople>;

/** Where somebody is at work. */
export const AtWorkPlace = Type.Object(
  { section: Type.String({ maxLength: 32 }), thing: Type.String({ maxLength: 200 }) },
  closed,
);

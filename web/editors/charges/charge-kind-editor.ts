import type { FunctionComponent, ReactNode } from "react";
import type { Charge } from "../../../core/charges/charge.ts";
import type { Phrase } from "../../../core/phrases/phrase.ts";

export type ChargeOf<Kind extends Charge["kind"]> = Extract<Charge, { kind: Kind }>;

/** Takes a charge as it shall be: kept when `done`, else only shown. */
export type OnCharge = (charge: Charge, done: boolean) => void;

export type ChargeFieldsProps<Kind extends Charge["kind"]> = {
  charge: ChargeOf<Kind>;
  onCharge: (charge: ChargeOf<Kind>, done: boolean) => void;
  /** The editor of a charge inside this one. */
  inner: (charge: Charge, onCharge: OnCharge) => ReactNode;
};

/** How one kind of charge is edited. */
export type ChargeKindEditor<Kind extends Charge["kind"]> = {
  readonly words: Phrase;
  readonly Fields: FunctionComponent<ChargeFieldsProps<Kind>>;
  /** A charge of this kind in the place of another: it keeps what it can. */
  readonly instead: (former: Charge) => ChargeOf<Kind>;
};

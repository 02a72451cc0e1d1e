import { queryOptions } from "@tanstack/react-query";
import type { KeyListed } from "../../server/keys/keys.ts";
import type { Right } from "../../server/keys/rights.ts";
import type { LogPage, LogPart } from "../../server/log/read-log.ts";
import type { Account } from "../../server/people/account.ts";
import type { LinkKind } from "../../server/people/one-time-links.ts";
import type { PersonListed } from "../../server/people/people.ts";
import type { ChangePeople } from "../../server/people/people-schema.ts";
import type { Settings } from "../../server/settings/settings-schema.ts";
import type { Erased, ShopperData } from "../../server/shoppers/shopper-data.ts";
import { call } from "./api.ts";

// What the menu's sections ask of the server; no page needs it to stand.

/** What somebody changes of their own. */
export type AccountChange =
  | { do: "sign-out" | "end-other-sessions" }
  | { do: "end-session"; session: number }
  | { do: "set-password"; current: string; password: string }
  | { do: "factor-on"; secret: string; code: string; current: string }
  | { do: "factor-off"; current: string };

export const peopleApi = {
  signIn: (asked: { name: string; password: string; code?: string }) => call<object>("/api/sign-in", asked),
  lookAtLink: (token: string) => call<{ name: string; kind: LinkKind }>("/api/sign-in/link", { do: "look", token }),
  redeem: (asked: { token: string; password?: string }) =>
    call<{ signedIn: boolean }>("/api/sign-in/link", { do: "use", ...asked }),
  changeAccount: (change: AccountChange) => call<object>("/api/account", change),
  beginFactor: () => call<{ secret: string; address: string }>("/api/account", { do: "begin-factor" }),
  changePeople: (change: ChangePeople) => call<{ link?: string }>("/api/people", change),
  makeKey: (key: { name: string; rights: readonly Right[]; aSecond: number }) =>
    call<{ secret: string }>("/api/keys", { do: "make", ...key }),
  revokeKey: (key: number) => call<object>("/api/keys", { do: "revoke", key }),
  saveSettings: (settings: Settings) => call<Settings>("/api/settings", settings),
  exportShopper: (shopper: string) => call<ShopperData>("/api/shoppers/export", { shopper }),
  eraseShopper: (shopper: string) => call<Erased>("/api/shoppers/erase", { shopper }),
  callOut: (address: string) => call<{ status: number; bytes: number }>("/api/settings/call-out", { address }),
  log: ({ parts, search, before }: LogAsked & { before?: string | undefined }) =>
    call<LogPage>(
      `/api/log?${new URLSearchParams([...parts.map((part) => ["part", part]), ["search", search], ...(before ? [["before", before]] : [])])}`,
    ),
};

type LogAsked = { readonly parts: readonly LogPart[]; readonly search: string };

export const ownAccount = queryOptions({ queryKey: ["account"], queryFn: () => call<Account>("/api/account") });
export const everybody = queryOptions({
  queryKey: ["people"],
  queryFn: () => call<{ people: PersonListed[] }>("/api/people"),
});
export const everyKey = queryOptions({ queryKey: ["keys"], queryFn: () => call<{ keys: KeyListed[] }>("/api/keys") });
/** What goes by the settings waits for those on their way. */
export const BY_SETTINGS = { id: "settings" };

export const storeSettings = queryOptions({ queryKey: ["settings"], queryFn: () => call<Settings>("/api/settings") });

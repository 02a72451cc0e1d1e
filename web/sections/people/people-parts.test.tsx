// @vitest-environment jsdom
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { cleanup, fireEvent, render, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, describe, expect, it } from "vitest";
import { standInServer } from "../../tests/stand-in-server.ts";
import { KeysView } from "../keys/keys-view.tsx";
import { SettingsView } from "../settings/settings-view.tsx";
import { PeopleView } from "./people-view.tsx";

afterEach(cleanup);

const KEEPER = { id: 1, name: "Keeper", role: "run", session: 1, owesSecondFactor: false };
const ACCOUNT = { person: KEEPER, hasPassword: true, hasSecondFactor: false, sessions: [] };
const person = (more: object) => ({
  ...{ id: 2, name: "Ana Reis", role: "edit", hasPassword: true, hasSecondFactor: true },
  ...{ since: "2026-11-01T09:00:00Z", lastSeen: null, leftAt: null },
  ...more,
});
const SETTINGS = { secondFactor: "by-choice", secondPerson: false, shoppersKeptDays: null, outgoing: [] };

function shown(view: React.ReactNode, known: Record<string, unknown>) {
  const server = standInServer({ "/api/account": ACCOUNT, ...known });
  render(<QueryClientProvider client={new QueryClient()}>{view}</QueryClientProvider>);
  return server;
}
const rowOf = async (name: string) => {
  const cell = await screen.findByRole("rowheader", { name: new RegExp(`^${name}`) });
  const row = cell.closest("tr");
  if (!row) throw new Error("no row");
  return within(row);
};

describe("people", () => {
  it("each is given roles, links and their leave, asked for twice; nobody does it to themselves", async () => {
    const people = [person({}), person({ id: 1, name: "Keeper", role: "run", hasSecondFactor: false })];
    const { asked } = shown(<PeopleView />, { "/api/people": { people } });
    const ana = await rowOf("Ana Reis");
    await userEvent.selectOptions(ana.getByLabelText("What Ana Reis may"), "look");
    expect(asked.at(-1)?.body).toEqual({ do: "set-role", person: 2, role: "look" });
    asked.at(-1)?.answer({});
    await userEvent.click(await ana.findByRole("button", { name: /without the second factor/ }));
    expect(asked.at(-1)?.body).toEqual({ do: "make-link", person: 2, losesFactor: true });
    asked.at(-1)?.answer({ link: "abc" });
    expect(await screen.findByLabelText("Link for Ana Reis")).toHaveProperty(
      "value",
      `${window.location.origin}/sign-in#abc`,
    );
    const before = asked.length;
    await userEvent.click(ana.getByRole("button", { name: /^Take out/ }));
    await userEvent.click(ana.getByRole("button", { name: "Leave it" }));
    expect(asked).toHaveLength(before);
    await userEvent.click(ana.getByRole("button", { name: /^Take out/ }));
    await userEvent.click(ana.getByRole("button", { name: "Take Ana Reis out" }));
    expect(asked.at(-1)?.body).toEqual({ do: "take-out", person: 2 });
    const keeper = await rowOf("Keeper");
    expect(keeper.queryByRole("combobox")).toBeNull();
    expect(keeper.queryByRole("button", { name: /Take out|without the second/ })).toBeNull();
  });

  it("a name that is taken stays in its field, with why; one that was invited makes room for the next", async () => {
    const { asked } = shown(<PeopleView />, { "/api/people": { people: [] } });
    const field = await screen.findByLabelText("Name of somebody new");
    const button = screen.getByRole("button", { name: "Invite" });
    await userEvent.type(field, "   ");
    expect(button).toHaveProperty("disabled", true);
    await userEvent.type(field, "Bo Lind{Enter}");
    expect(asked.at(-1)?.body).toEqual({ do: "invite", name: "Bo Lind", role: "edit" });
    asked.at(-1)?.answer({ phrase: { message: "Somebody of that name is here already" } }, 409);
    expect((await screen.findByRole("alert")).textContent).toContain("Somebody of that name is here already");
    expect(field).toHaveProperty("value", "   Bo Lind");
    await userEvent.click(button);
    asked.at(-1)?.answer({ link: "x" });
    await screen.findByLabelText("Link for Bo Lind");
    expect(field).toHaveProperty("value", "");
  });
});

describe("keys", () => {
  it("are made with what is ticked, shown once, and revoked", async () => {
    const key = {
      number: 7,
      name: "Old",
      rights: ["quote"],
      aSecond: 5,
      madeBy: "Keeper",
      madeAt: "2026-11-01T09:00:00Z",
    };
    const keys = [
      { ...key, lastUsedAt: null, revokedAt: null },
      { ...key, number: 6, name: "Gone", lastUsedAt: null, revokedAt: key.madeAt },
    ];
    const { asked } = shown(<KeysView />, { "/api/keys": { keys } });
    await userEvent.type(await screen.findByLabelText("Name of the shop's server"), "Paper shop");
    for (const label of ["ask for quotes", "claim offers and windows for orders"])
      await userEvent.click(screen.getByLabelText(label));
    const make = screen.getByRole("button", { name: "Make a key" });
    expect(make).toHaveProperty("disabled", true);
    await userEvent.click(screen.getByLabelText("export and erase a shopper's data"));
    const often = screen.getByLabelText("Calls a second, at most");
    for (const rubbish of ["", "0", "-1", "1.5", "many", "100001"]) {
      await userEvent.clear(often);
      if (rubbish !== "") await userEvent.type(often, rubbish);
      expect([rubbish, make]).toEqual([rubbish, expect.objectContaining({ disabled: true })]);
    }
    await userEvent.clear(often);
    await userEvent.type(often, "12{Enter}");
    expect(asked.at(-1)?.body).toEqual({ do: "make", name: "Paper shop", rights: ["shoppers"], aSecond: 12 });
    asked.at(-1)?.answer({ secret: "summant_x" }, 201);
    expect(await screen.findByLabelText("Key Paper shop")).toHaveProperty("value", "summant_x");
    expect((await rowOf("Gone")).queryByRole("button")).toBeNull();
    await userEvent.click((await rowOf("Old")).getByRole("button", { name: "Revoke Old" }));
    expect(asked.at(-1)?.body).toEqual({ do: "revoke", key: 7 });
  });
});

describe("settings", () => {
  it("are kept one by one, each with all the others, and seen at once", async () => {
    const { asked } = shown(<SettingsView />, { "/api/settings": SETTINGS });
    const two = await screen.findByLabelText(/^A release takes two people/);
    fireEvent.click(two);
    // At once, before anything has had a turn: it never goes back for a moment.
    expect(two).toHaveProperty("checked", true);
    await waitFor(() => expect(asked.at(-1)?.body).toEqual({ ...SETTINGS, secondPerson: true }));
    asked.at(-1)?.answer({ ...SETTINGS, secondPerson: true });
    await screen.findByText("Kept.");
    await userEvent.click(screen.getByLabelText(/^A shopper's reference is erased/));
    expect(asked.at(-1)?.body).toEqual({ ...SETTINGS, secondPerson: true, shoppersKeptDays: 400 });
    asked.at(-1)?.answer({ phrase: { message: "The database cannot be reached" } }, 503);
    expect((await screen.findByRole("alert")).textContent).toContain("The database cannot be reached");
    expect(screen.getByLabelText(/^A shopper's reference is erased/)).toHaveProperty("checked", false);
  });

  it("one shopper's data is shown, and erased once that was asked for twice", async () => {
    const { asked } = shown(<SettingsView />, { "/api/settings": SETTINGS });
    await userEvent.type(await screen.findByLabelText("Reference of one shopper, as the shop has it"), " s-1 {Enter}");
    expect(asked.at(-1)).toMatchObject({ path: "/api/shoppers/export", body: { shopper: "s-1" } });
    const claim = { order: "o-1", offer: "spring", claimedAt: "2026-11-01T09:00:00Z", givenBackAt: null };
    asked.at(-1)?.answer({ shopper: "s-1", claims: [claim, claim], uses: { spring: 1 } });
    await screen.findByText("Of s-1: 2 claims.");
    const before = asked.length;
    await userEvent.click(screen.getByRole("button", { name: "Erase…" }));
    expect(asked).toHaveLength(before);
    await userEvent.click(screen.getByRole("button", { name: "Erase s-1" }));
    expect(asked.at(-1)).toMatchObject({ path: "/api/shoppers/erase", body: { shopper: "s-1" } });
    asked.at(-1)?.answer({ claims: 2, counts: 1 });
    await screen.findByText("Erased: 2 claims stand without the reference now.");
    expect(screen.queryByText("Of s-1: 2 claims.")).toBeNull();
  });

  it("are only looked at by who does not run the store", async () => {
    const looker = { ...ACCOUNT, person: { ...KEEPER, role: "look" } };
    shown(<SettingsView />, {
      "/api/settings": { ...SETTINGS, outgoing: ["shop.example"], shoppersKeptDays: 30 },
      "/api/account": looker,
    });
    expect(await screen.findByText("Whoever runs this store changes them.")).toBeDefined();
    for (const control of [...screen.getAllByRole("checkbox"), screen.getByRole("combobox")])
      expect(control).toHaveProperty("disabled", true);
    expect(screen.queryByRole("textbox")).toBeNull();
    expect(screen.getByText("30 days")).toBeDefined();
    expect(screen.getByText("shop.example")).toBeDefined();
  });
});

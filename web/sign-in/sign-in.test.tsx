// @vitest-environment jsdom
import { cleanup, render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, describe, expect, it, vi } from "vitest";
import { standInServer } from "../tests/stand-in-server.ts";
import { ByLink } from "./by-link.tsx";
import { ByPassword } from "./by-password.tsx";
import { goOn } from "./go-on.ts";

afterEach(cleanup);

/** Where one would be taken from an address of the sign-in page. */
function takenTo(from: string): string {
  const replace = vi.fn();
  const { search, hash, origin } = new URL(from, "http://127.0.0.1:4173");
  vi.stubGlobal("location", { search, hash, origin, replace });
  goOn();
  vi.unstubAllGlobals();
  return String(replace.mock.calls[0]?.[0]);
}

describe("going on", () => {
  it("leads where one was going, with its fragment, and to no other site", () => {
    const home = "http://127.0.0.1:4173";
    expect(takenTo("/sign-in")).toBe(`${home}/`);
    expect(takenTo("/sign-in?to=%2Foffers#free-post")).toBe(`${home}/offers#free-post`);
    expect(takenTo("/sign-in?to=%2Foffers%3Fx%3D1%23all")).toBe(`${home}/offers?x=1#all`);
    for (const evil of [
      "//evil.example",
      "https://evil.example/",
      "\\\\evil.example",
      "javascript:alert(1)",
      "http://127.0.0.1:4174/",
    ])
      expect([evil, takenTo(`/sign-in?to=${encodeURIComponent(evil)}`)]).toEqual([evil, "/"]);
  });
});

describe("signing in by password", () => {
  it("says what was wrong, keeps what was typed, and asks for the code only where one is wanted", async () => {
    const { asked } = standInServer({});
    render(<ByPassword />);
    await userEvent.type(screen.getByLabelText("Name"), "Ana Reis");
    await userEvent.type(screen.getByLabelText("Password"), "wrong{Enter}");
    expect(asked.at(-1)?.body).toEqual({ name: "Ana Reis", password: "wrong" });
    asked.at(-1)?.answer({ phrase: { message: "Name and password do not go together" } }, 401);
    expect((await screen.findByRole("alert")).textContent).toBe("Name and password do not go together");
    expect(screen.queryByLabelText("Code of the second factor")).toBeNull();
    await userEvent.type(screen.getByLabelText("Password"), " no more{Enter}");
    asked.at(-1)?.answer({ phrase: { message: "Type the code that your app shows" }, wants: "code" }, 401);
    const code = await screen.findByLabelText("Code of the second factor");
    await userEvent.type(code, "123456{Enter}");
    expect(asked.at(-1)?.body).toEqual({ name: "Ana Reis", password: "wrong no more", code: "123456" });
    asked.at(-1)?.answer({ phrase: { message: "That code does not hold, or was used already" }, wants: "code" }, 401);
    await screen.findByText("That code does not hold, or was used already");
    expect(code).toHaveProperty("value", "");
  });
});

describe("signing in by a link", () => {
  it("uses it up only when asked to, and a password that cannot be leaves it", async () => {
    const { asked } = standInServer({});
    render(<ByLink token="t" />);
    expect(asked.map(({ body }) => body)).toEqual([{ do: "look", token: "t" }]);
    asked.at(-1)?.answer({ name: "Ana Reis", kind: "invite" });
    await screen.findByRole("heading", { name: "Welcome, Ana Reis" });
    await userEvent.type(screen.getByLabelText("Your new password"), "short{Enter}");
    expect(asked.at(-1)?.body).toEqual({ do: "use", token: "t", password: "short" });
    const errors = [
      {
        pointer: "#/password",
        detail: "x",
        phrase: { message: "A password has at least {count} characters", values: { count: 12 } },
      },
    ];
    asked.at(-1)?.answer({ phrase: { message: "That cannot be a password here" }, errors }, 422);
    expect((await screen.findByRole("alert")).textContent).toMatch(/at least 12 characters/);
    expect(screen.getByLabelText("Your new password")).toHaveProperty("value", "short");
  });

  it("of the first start needs no password, and one that works no more says so", async () => {
    const { asked } = standInServer({});
    const { unmount } = render(<ByLink token="t" />);
    asked.at(-1)?.answer({ name: "Keeper", kind: "first" });
    await userEvent.click(await screen.findByRole("button", { name: "Sign in" }));
    expect(asked.at(-1)?.body).toEqual({ do: "use", token: "t" });
    unmount();
    render(<ByLink token="t" />);
    asked.at(-1)?.answer({ phrase: { message: "That link works no more" } }, 410);
    expect((await screen.findByRole("alert")).textContent).toBe("That link works no more");
    expect(screen.queryByRole("button", { name: "Sign in" })).toBeNull();
  });
});

import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { english } from "../../core/phrases/speak.ts";
import { atMost } from "./at-most.ts";
import { hashPassword, isPassword, passwordProblem } from "./passwords.ts";
import { mayAs, nameKey, ROLES } from "./person.ts";
import { factorAddress, newFactor, stepOf } from "./second-factor.ts";

const whyNot = (password: string, name = "Ana Reis") => {
  const problem = passwordProblem(password, name);
  return problem ? english(problem) : null;
};

describe("passwords", () => {
  it("are refused when they are short, common with whatever around, one thing again and again, or the name", () => {
    expect(whyNot("short")).toMatch(/at least 12/);
    for (const common of ["qwertyuiop1234", "Password12345", "PASSWORD!!!!", "passwordpassword", "iloveyou2026"])
      expect([common, whyNot(common)]).toEqual([common, expect.stringMatching(/commonest/)]);
    expect(whyNot("1234567890123")).toMatch(/Digits and signs/);
    expect(whyNot("abababababab")).toMatch(/same few/);
    expect(whyNot("the best of ana  reis ever")).toMatch(/the name/);
    expect(whyNot("x".repeat(201))).toMatch(/at most 200/);
    for (const good of ["eleven paper lanterns", "Käse und Brot 🧀 um acht", "korrekt pferd batterie"])
      expect([good, whyNot(good)]).toEqual([good, null]);
  });

  it("are kept by argon2id, and are right for themselves alone, however their letters are written", async () => {
    const kept = await hashPassword("Ångström et al.");
    expect(kept).toMatch(/^\$argon2id\$v=19\$m=19456,t=2,p=1\$/);
    expect(await hashPassword("Ångström et al.")).not.toBe(kept);
    expect(await isPassword(kept, "Ångström et al.".normalize("NFD"))).toBe(true);
    expect(await isPassword(kept, "ångström et al.")).toBe(false);
    expect(await isPassword(null, "nobody's at all")).toBe(false);
  });

  it("are looked at a few at a time, and one that fails gives its place away", async () => {
    let [now, most] = [0, 0];
    const two = atMost(2);
    const work = async (i: number) => {
      now += 1;
      most = Math.max(most, now);
      await new Promise((resolve) => setTimeout(resolve, 3));
      now -= 1;
      if (i % 3 === 0) throw new Error("fails");
      return i;
    };
    const came = await Promise.allSettled(Array.from({ length: 20 }, (_, i) => two(() => work(i))));
    expect(most).toBe(2);
    expect(came.filter(({ status }) => status === "fulfilled")).toHaveLength(13);
  });
});

describe("codes by time", () => {
  // RFC 6238, appendix B, for SHA-1: the last six digits of its eight, which is what RFC 4226 takes for six.
  const SECRET = "GEZDGNBVGY3TQOJQGEZDGNBVGY3TQOJQ";
  const VECTORS = [
    [59, "287082"],
    [1111111109, "081804"],
    [1111111111, "050471"],
    [1234567890, "005924"],
    [2000000000, "279037"],
    [20000000000, "353130"],
  ] as const;

  it("are those of RFC 6238, a step early or late, and each once", () => {
    for (const [seconds, code] of VECTORS) {
      const step = Math.floor(seconds / 30);
      expect(stepOf(SECRET, code, 0, seconds * 1000)).toBe(step);
      expect(stepOf(SECRET, ` ${code.slice(0, 3)} ${code.slice(3)}`, 0, (seconds + 30) * 1000)).toBe(step);
      expect(stepOf(SECRET, code, 0, (seconds + 90) * 1000)).toBeNull();
      expect(stepOf(SECRET, code, step, seconds * 1000)).toBeNull();
    }
  });

  it("are no other text", () => {
    fc.assert(
      fc.property(fc.string(), (text) => {
        fc.pre(!/^\s*(\d\s*){6}$/.test(text));
        expect(stepOf(SECRET, text, 0, 59_000)).toBeNull();
      }),
    );
  });

  it("come from secrets of 160 bits, which apps for codes read", () => {
    const secret = newFactor();
    expect(secret).toMatch(/^[A-Z2-7]{32}$/);
    const address = new URL(factorAddress(secret, "Ana Reis"));
    expect([address.protocol, address.host, address.searchParams.get("secret")]).toEqual(["otpauth:", "totp", secret]);
  });
});

describe("roles and names", () => {
  it("each role may what those before it may, and names are one however they are written", () => {
    ROLES.forEach((role, i) => {
      ROLES.forEach((wanted, j) => {
        expect(mayAs(role, wanted)).toBe(i >= j);
      });
    });
    expect(nameKey("  ANA\u00a0 Réis")).toBe(nameKey("ana Re\u0301is"));
  });
});

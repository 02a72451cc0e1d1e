import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { dirname, join } from "node:path";
import { afterAll, describe, expect, it } from "vitest";
import { markBuilt, stateOfBuild } from "./setup/build.mjs";

const root = mkdtempSync(join(tmpdir(), "summant-build-"));
afterAll(() => rmSync(root, { recursive: true, force: true }));

function write(file: string, text: string): void {
  mkdirSync(dirname(join(root, file)), { recursive: true });
  writeFileSync(join(root, file), text);
}

describe("the build at hand", () => {
  it("is built again when a source has changed, or something of it is damaged or gone, and else is not: not for tests either", () => {
    const sources = ["core/engine.ts", "server/start.ts", "web/pages/index.astro"];
    const others = [
      "astro.config.mjs",
      "package-lock.json",
      "scripts/setup/server-programs.mjs",
      "scripts/setup/worker-chunks.mjs",
      "scripts/setup/compressed-files.mjs",
    ];
    for (const file of [...sources, ...others]) write(file, file);
    for (const file of ["dist/client/page.js", "dist/server/start.mjs"]) write(file, "built");
    expect(stateOfBuild(root)).toBe("none");
    markBuilt(root);
    expect(stateOfBuild(root)).toBe("whole");
    for (const damaged of ["dist/client/page.js", "dist/server/start.mjs"]) {
      write(damaged, "built by hal");
      expect([damaged, stateOfBuild(root)]).toEqual([damaged, "damaged"]);
      write(damaged, "built");
      expect(stateOfBuild(root)).toBe("whole");
    }
    rmSync(join(root, "dist/client"), { recursive: true });
    expect(stateOfBuild(root)).toBe("damaged");
    write("dist/client/page.js", "built");
    for (const source of [...sources, ...others]) {
      write(source, "changed");
      expect([source, stateOfBuild(root)]).toEqual([source, "none"]);
      write(source, source);
      expect(stateOfBuild(root)).toBe("whole");
    }
    for (const test of ["core/engine.test.ts", "core/tests/arbitrary.ts"]) {
      write(test, "added");
      expect([test, stateOfBuild(root)]).toEqual([test, "whole"]);
    }
  });
});

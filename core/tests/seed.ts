import * as fc from "fast-check";

// The same cases on every run; SEED=123 npx vitest run tries others.
fc.configureGlobal({ seed: Number(process.env.SEED ?? 20261125) });

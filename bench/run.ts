// npm run bench: each line is `name: ratio`, with the raw medians beside it. Peers run interleaved in the same process; one
// bench after the other, since imports with top-level await would run side by side.
import { fileURLToPath } from "node:url";
import { needValidators } from "../scripts/setup/validators.mjs";

needValidators(fileURLToPath(new URL("../", import.meta.url)));
await import("./command-line/measure.ts");
await import("./engine/run.ts");
await import("./climb-drawing/measure.ts");
await import("./checks/measure.ts");
await import("./evidence/measure.ts");
await import("./http/measure.ts");
await import("./browser/measure.ts");

// npm run bench: each line is `name: ratio`, with the raw medians beside it. Peers run interleaved in the same process.
import "./engine/run.ts";
import "./climb-drawing/measure.ts";
import "./checks/measure.ts";
import "./browser/measure.ts";

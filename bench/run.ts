// npm run bench: each line is `name: ratio`, with the raw medians beside it. Peers run interleaved in the same process.
await import("./climb-drawing/measure.ts");

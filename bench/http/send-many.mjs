// Posts the same JSON many times at once. argv: an address, a file, how often, a cookie. Prints which statuses came back, and how often.
import { readFileSync } from "node:fs";

const [, , address, file, times, cookie] = process.argv;
const body = readFileSync(file);
const headers = { "content-type": "application/json", cookie };
const answers = await Promise.all(
  Array.from({ length: Number(times) }, () => fetch(address, { method: "POST", headers, body })),
);
const counts = new Map();
for (const { status } of answers) counts.set(status, (counts.get(status) ?? 0) + 1);
console.log([...counts].map(([status, count]) => `${status} ${count} times`).join(", "));

// The threads' program from its sources: a thread does not take over how its parent reads TypeScript.
import { register } from "tsx/esm/api";

register();
const { default: work } = await import("./order-worker.ts");
export default work;

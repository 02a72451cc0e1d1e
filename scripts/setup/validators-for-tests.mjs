import { fileURLToPath } from "node:url";
import { needValidators } from "./validators.mjs";

/** Run by vitest before its tests. */
export const setup = () => needValidators(fileURLToPath(new URL("../../", import.meta.url)));

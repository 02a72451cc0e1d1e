import type { Pool } from "mysql2/promise";
import type { CheckedAddress } from "../../core/checks/check.ts";
import { listKept } from "./kept.ts";
import { checkSample } from "./samples.ts";
import { checkStandpoint } from "./standpoint.ts";

/** The addresses of what a team keeps, with what to call each. */
export async function keptAddresses(pool: Pool): Promise<CheckedAddress[]> {
  const [standpoints, samples] = await Promise.all([
    listKept(pool, "standpoint", checkStandpoint),
    listKept(pool, "sample", checkSample),
  ]);
  return [
    ...standpoints.kept.map(({ name, body: { country, region, postcode } }) => ({
      whose: `The standpoint “${name}”`,
      destination: {
        ...(country === "" ? {} : { country }),
        ...(region === "" ? {} : { region }),
        ...(postcode === "" ? {} : { postcode }),
      },
    })),
    ...samples.kept.map(({ name, body }) => ({ whose: `The sample “${name}”`, destination: body.request.destination })),
  ];
}

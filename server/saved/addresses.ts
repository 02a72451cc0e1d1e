import type { Pool } from "mysql2/promise";
import type { CheckedAddress } from "../../core/checks/check.ts";
import { phrase } from "../../core/phrases/phrase.ts";
import { checkSample } from "./samples.ts";
import { listSaved } from "./saved.ts";
import { checkStandpoint } from "./standpoint.ts";

/** The addresses of what a team keeps, with what to call each. */
export async function savedAddresses(pool: Pool): Promise<CheckedAddress[]> {
  const [standpoints, samples] = await Promise.all([
    listSaved(pool, "standpoint", checkStandpoint),
    listSaved(pool, "sample", checkSample),
  ]);
  return [
    ...standpoints.kept.map(({ name, body: { country, region, postcode } }) => ({
      whose: phrase("The standpoint “{name}”", { name }),
      destination: {
        ...(country === "" ? {} : { country }),
        ...(region === "" ? {} : { region }),
        ...(postcode === "" ? {} : { postcode }),
      },
    })),
    ...samples.kept.map(({ name, body }) => ({
      whose: phrase("The sample “{name}”", { name }),
      destination: body.request.destination,
    })),
  ];
}

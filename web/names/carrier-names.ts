import type { AmountContext } from "../../core/money/amount.ts";
import type { Carrier } from "../../server/carriers/carrier.ts";

/** Live carriers and their services by name. @example carrierNamesIn(carriers)("osprelle", "parcel").carrier // "Osprelle" */
export const carrierNamesIn =
  (carriers: readonly Pick<Carrier, "id" | "name" | "services">[]): NonNullable<AmountContext["carrierNames"]> =>
  (id, serviceId) => {
    const carrier = carriers.find((one) => one.id === id);
    const service = carrier?.services.find((one) => one.id === serviceId);
    return { carrier: carrier?.name ?? id, service: service?.name ?? serviceId };
  };

/** While they are not read yet: their ids are shown. */
export const NO_CARRIERS: Parameters<typeof carrierNamesIn>[0] = [];

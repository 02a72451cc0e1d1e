import { useQuery } from "@tanstack/react-query";
import { carrier as carrierCharge } from "../../../../core/charges/kinds/carrier.ts";
import { phrase } from "../../../../core/phrases/phrase.ts";
import { SelectField } from "../../../fields/select-field.tsx";
import { say } from "../../../language/say.ts";
import { carrierList } from "../../../state/server-queries.ts";
import { setOptional } from "../../../state/set-optional.ts";
import { useEditing } from "../../editing.ts";
import type { ChargeFieldsProps, ChargeKindEditor } from "../charge-kind-editor.ts";
import { PackingFields } from "../measure-fields.tsx";

/** What a live carrier asks, and what holds while it does not answer. */
export const carrier: ChargeKindEditor<"carrier"> = {
  words: phrase("what a live carrier asks"),
  instead: (former) => {
    const { carrier: id, service } = carrierCharge.example;
    return { kind: "carrier", carrier: id, service, fallback: former };
  },
  Fields: CarrierFields,
};

/** No location named: where the store ships from. */
const ANYWHERE = "";

function CarrierFields({ charge, onCharge, inner }: ChargeFieldsProps<"carrier">) {
  const { plan } = useEditing();
  const { data: carriers = [] } = useQuery(carrierList);
  const { fallback } = charge;
  const services = carriers.find(({ id }) => id === charge.carrier)?.services ?? [];
  const select = "w-56";
  return (
    <div className="grid gap-3">
      <div className="flex flex-wrap gap-x-4 gap-y-2">
        <SelectField
          label={say("Carrier")}
          className={select}
          value={charge.carrier}
          choices={{
            [charge.carrier]: charge.carrier,
            ...Object.fromEntries(carriers.map(({ id, name }) => [id, name])),
          }}
          onCommit={(id) => {
            const service = carriers.find((one) => one.id === id)?.services[0]?.id ?? charge.service;
            onCharge({ ...charge, carrier: id, service }, true);
          }}
        />
        <SelectField
          label={say("Service")}
          className={select}
          value={charge.service}
          choices={{
            [charge.service]: charge.service,
            ...Object.fromEntries(services.map(({ id, name }) => [id, name])),
          }}
          onCommit={(service) => onCharge({ ...charge, service }, true)}
        />
        <SelectField
          label={say("Fetched from")}
          className={select}
          value={charge.from ?? ANYWHERE}
          choices={{
            [ANYWHERE]: say("where the store ships from"),
            ...Object.fromEntries((plan.locations ?? []).map(({ id, name }) => [id, name.en ?? id])),
          }}
          onCommit={(from) => onCharge(setOptional(charge, "from", from === ANYWHERE ? undefined : from), true)}
        />
        <PackingFields packed={charge} onPacked={(next) => onCharge(next, true)} />
      </div>
      <fieldset className="border-l-2 border-base-300 pl-3">
        <legend className="mb-1 text-[13px] text-quiet">{say("When it does not answer")}</legend>
        {fallback ? (
          inner(fallback, (next, done) => onCharge({ ...charge, fallback: next }, done))
        ) : (
          <button
            type="button"
            className="btn btn-sm"
            onClick={() => onCharge({ ...charge, fallback: { kind: "flat", amount: { byCurrency: {} } } }, true)}
          >
            {say("The option cannot be had. Add a fallback")}
          </button>
        )}
      </fieldset>
    </div>
  );
}

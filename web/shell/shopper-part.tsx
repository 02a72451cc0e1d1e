import { lazy, Suspense } from "react";
import { PLAIN_SHOPPER } from "../../core/facts/shopper-facts.ts";
import { Popover } from "../fields/popover.tsx";
import { RadioField } from "../fields/radio-field.tsx";
import { TextField } from "../fields/text-field.tsx";
import type { DescribedShopper } from "../state/standpoint.ts";

// Loaded when the form is opened.
const Described = lazy(() =>
  import("./described-shopper.tsx").then((module) => ({ default: module.DescribedShopper })),
);

type Props = {
  shopper: DescribedShopper | null;
  currency: string;
  /** Offers a shopper can use only so often. */
  limited: readonly { id: string; name: string }[];
  onChange: (shopper: DescribedShopper | null) => void;
  /** What conditions of the plan ask for. */
  names: { readonly groups: readonly string[]; readonly channels: readonly string[] };
  channel: string | undefined;
  onChannel: (channel: string | undefined) => void;
};

/** Who looks: a guest, or a shopper described by what the shop would know of them. */
export function ShopperPart({ shopper, currency, limited, names, onChange, channel, onChannel }: Props) {
  return (
    <Popover label="Shopper" shown={`${shopperWords(shopper)}${channel === undefined ? "" : ` in ${channel}`}`}>
      <fieldset className="mb-2.5 grid gap-2.5">
        <legend className="mb-1 font-semibold">Who looks</legend>
        <RadioField
          name="shopper"
          label="A guest, of whom nothing is known"
          checked={shopper === null}
          onChoose={() => onChange(null)}
        />
        <RadioField
          name="shopper"
          label="A shopper like this"
          checked={shopper !== null}
          onChoose={() => onChange(PLAIN_SHOPPER)}
        />
        {shopper && (
          <Suspense fallback={<p className="text-quiet">Loading…</p>}>
            <Described
              shopper={shopper}
              currency={currency}
              groups={names.groups}
              limited={limited}
              onChange={onChange}
            />
          </Suspense>
        )}
      </fieldset>
      <TextField
        label="Where the cart is: a shop's channel"
        className="w-full"
        placeholder="none named"
        value={channel}
        leaf="standpoint/channel"
        known={names.channels}
        onCommit={onChannel}
        onEmpty={() => onChannel(undefined)}
      />
    </Popover>
  );
}

/** @example "a signed-in shopper in trade" */
function shopperWords(shopper: DescribedShopper | null): string {
  if (!shopper) return "a guest";
  const { signedIn, groups, orderCount, business } = shopper;
  const who = business ? "a company" : orderCount === 0 ? "a first-time shopper" : "a shopper";
  return [who, groups.length > 0 ? `in ${groups.join(", ")}` : "", signedIn ? "" : "not signed in"]
    .filter((part) => part !== "")
    .join(" ");
}

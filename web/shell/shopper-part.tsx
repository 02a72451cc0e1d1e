import { lazy, Suspense } from "react";
import { PLAIN_SHOPPER } from "../../core/facts/shopper-facts.ts";
import { Loading } from "../fields/loading.tsx";
import { Popover } from "../fields/popover.tsx";
import { RadioField } from "../fields/radio-field.tsx";
import { say } from "../language/say.ts";
import type { DescribedShopper, Standpoint } from "../state/standpoint.ts";

// Loaded when the form is opened.
const Described = lazy(() =>
  import("./described-shopper.tsx").then((module) => ({ default: module.DescribedShopper })),
);

const Visit = lazy(() => import("./visit-fields.tsx").then((module) => ({ default: module.VisitFields })));

type Props = {
  standpoint: Standpoint;
  /** Offers a shopper can use only so often. */
  limited: readonly { id: string; name: string }[];
  onChange: (standpoint: Standpoint) => void;
};

/** Who looks: a guest, or a shopper described by what the shop would know of them; and how they buy. */
export function ShopperPart({ standpoint, limited, onChange }: Props) {
  const { shopper, channel } = standpoint;
  const describe = (next: Standpoint["shopper"]) => onChange({ ...standpoint, shopper: next });
  return (
    <Popover
      label={say("Shopper")}
      shown={`${shopperWords(shopper)}${channel === undefined ? "" : say(" in {channel}", { channel })}`}
    >
      <fieldset className="mb-2.5 grid gap-2.5">
        <legend className="mb-1 font-semibold">{say("Who looks")}</legend>
        <RadioField
          name="shopper"
          label={say("A guest, of whom nothing is known")}
          checked={shopper === null}
          onChoose={() => describe(null)}
        />
        <RadioField
          name="shopper"
          label={say("A shopper like this")}
          checked={shopper !== null}
          onChoose={() => describe(PLAIN_SHOPPER)}
        />
        {shopper && (
          <Suspense fallback={<Loading />}>
            <Described shopper={shopper} currency={standpoint.currency} limited={limited} onChange={describe} />
          </Suspense>
        )}
      </fieldset>
      <Suspense fallback={<Loading />}>
        <Visit standpoint={standpoint} onChange={onChange} />
      </Suspense>
    </Popover>
  );
}

/** @example "a signed-in shopper in trade" */
function shopperWords(shopper: DescribedShopper | null): string {
  if (!shopper) return say("a guest");
  const { signedIn, groups, orderCount, business } = shopper;
  const who = business ? say("a company") : orderCount === 0 ? say("a first-time shopper") : say("a shopper");
  return [
    who,
    groups.length > 0 ? say("in {groups}", { groups: groups.join(", ") }) : "",
    signedIn ? "" : say("not signed in"),
  ]
    .filter((part) => part !== "")
    .join(" ");
}

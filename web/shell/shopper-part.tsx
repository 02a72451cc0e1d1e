import { PLAIN_SHOPPER } from "../../core/facts/shopper-facts.ts";
import { parseList } from "../fields/parse-list.ts";
import { SentencePopover } from "../fields/sentence-popover.tsx";
import type { DescribedShopper } from "../state/standpoint.ts";

type Props = {
  shopper: DescribedShopper | null;
  /** Offers a shopper can use only so often. */
  limited: readonly { id: string; name: string }[];
  onChange: (shopper: DescribedShopper | null) => void;
};

/** Who looks: a guest, or a shopper described by what the shop would know of them. */
export function ShopperPart({ shopper, limited, onChange }: Props) {
  const change = (part: Partial<DescribedShopper>) => onChange({ ...(shopper ?? PLAIN_SHOPPER), ...part });
  return (
    <SentencePopover label="Shopper" shown={shopperWords(shopper)}>
      <fieldset className="grid gap-2.5">
        <legend className="mb-1 font-semibold">Who looks</legend>
        <label className="flex items-center gap-2">
          <input
            type="radio"
            className="radio radio-xs"
            name="shopper"
            checked={shopper === null}
            onChange={() => onChange(null)}
          />
          A guest, of whom nothing is known
        </label>
        <label className="flex items-center gap-2">
          <input
            type="radio"
            className="radio radio-xs"
            name="shopper"
            checked={shopper !== null}
            onChange={() => onChange(PLAIN_SHOPPER)}
          />
          A shopper like this
        </label>
        {shopper && (
          <div className="grid gap-2.5 border-t border-base-300 pt-2.5">
            <label className="flex items-center gap-2">
              <input
                type="checkbox"
                className="checkbox checkbox-xs"
                checked={shopper.signedIn}
                onChange={(event) => change({ signedIn: event.target.checked })}
              />
              Signed in
            </label>
            <label className="flex items-center gap-2">
              <input
                type="checkbox"
                className="checkbox checkbox-xs"
                checked={shopper.business}
                onChange={(event) => change({ business: event.target.checked })}
              />
              Buys for a company
            </label>
            <label className="grid gap-1">
              Groups, with commas between
              <input
                className="input input-sm w-full"
                defaultValue={shopper.groups.join(", ")}
                placeholder="trade, readers"
                onBlur={(event) => change({ groups: groupsIn(event.target.value) })}
                onKeyDown={(event) => event.key === "Enter" && change({ groups: groupsIn(event.currentTarget.value) })}
              />
            </label>
            <label className="grid gap-1">
              Orders so far
              <input
                className="input input-sm w-full"
                type="number"
                min={0}
                max={1_000_000}
                placeholder="not known"
                value={shopper.orderCount ?? ""}
                onChange={(event) => change({ orderCount: wholeNumber(event.target.value) })}
              />
            </label>
            <DayField label="Last ordered on" day={shopper.lastOrder} onChange={(lastOrder) => change({ lastOrder })} />
            <DayField
              label="Account opened on"
              day={shopper.accountOpened ?? null}
              onChange={(accountOpened) => change({ accountOpened })}
            />
            {limited.map(({ id, name }) => (
              <label key={id} className="flex items-center gap-2">
                <input
                  type="checkbox"
                  className="checkbox checkbox-xs"
                  checked={(shopper.uses?.[id] ?? 0) > 0}
                  onChange={(event) => change({ uses: { ...shopper.uses, [id]: event.target.checked ? 1 : 0 } })}
                />
                Has used “{name}”
              </label>
            ))}
          </div>
        )}
      </fieldset>
    </SentencePopover>
  );
}

type DayProps = { label: string; day: string | null; onChange: (day: string | null) => void };

/** A day of a shopper's history; empty: not known. */
const DayField = ({ label, day, onChange }: DayProps) => (
  <label className="grid gap-1">
    {label}
    <input
      className="input input-sm w-full"
      type="date"
      value={day ?? ""}
      onChange={(event) => onChange(event.target.value === "" ? null : event.target.value)}
    />
  </label>
);

const groupsIn = (text: string) => parseList(text).map((group) => group.slice(0, 64));

function wholeNumber(text: string): number | null {
  const number = Number(text);
  return text === "" || !Number.isInteger(number) || number < 0 || number > 1_000_000 ? null : number;
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

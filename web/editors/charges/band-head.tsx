import Plus from "lucide-react/icons/plus";
import Trash2 from "lucide-react/icons/trash-2";
import type { BandedCharge } from "../../../core/charges/kinds/bands.ts";
import type { Amount } from "../../../core/money/amount.ts";
import { IconButton } from "../../fields/icon-button.tsx";
import { SelectField } from "../../fields/select-field.tsx";
import { say } from "../../language/say.ts";
import { MarkField } from "../amounts/mark-field.tsx";

type Edge = BandedCharge["edges"][number];
type BandPrice = BandedCharge["first"];

type EdgeProps = { number: number; edge: Edge; onEdge: (part: Partial<Edge>) => void };

/** Where a band begins: which side owns the edge, and, when it is no amount of money, the edge itself. */
export const EdgeHead = ({ number, edge, onEdge }: EdgeProps) => (
  <>
    <SelectField
      label={say("Side of edge {number}", { number })}
      look="word"
      value={edge.edge}
      choices={{ from: say("from"), above: say("above") }}
      onCommit={(side) => onEdge({ edge: side })}
    />
    <MarkField label={say("Edge {number}", { number })} hideLabel mark={edge.at} onMark={(at) => onEdge({ at })} />
  </>
);

type PriceProps = {
  name: string;
  price: BandPrice;
  /** What further units begin as; none where the measure has none. */
  unit: Edge["at"] | null;
  onPrice: (price: BandPrice) => void;
};

/** What kind of price a band has, and the unit of a price that grows. A change keeps what amounts there are. */
export function PriceKind({ name, price, unit, onPrice }: PriceProps) {
  const kind = typeof price === "string" ? price : "fixed" in price ? "growing" : "price";
  const amount: Amount = typeof price === "string" ? NO_AMOUNT : "fixed" in price ? price.fixed : price;
  const choices = { price: say("costs"), free: say("is free"), "not-offered": say("is not offered") };
  return (
    <>
      <SelectField<"price" | "growing" | "free" | "not-offered">
        label={say("Kind of price of {name}", { name })}
        look="word"
        value={kind}
        choices={
          unit || kind === "growing" ? { ...choices, growing: say("costs more for each further unit") } : choices
        }
        onCommit={(next) => {
          if (next === "free" || next === "not-offered") onPrice(next);
          else if (next === "price") onPrice(amount);
          else if (unit) onPrice({ fixed: amount, each: unit, more: amount });
        }}
      />
      {typeof price === "object" && "fixed" in price && (
        <MarkField
          label={say("Further unit of {name}", { name })}
          hideLabel
          mark={price.each}
          onMark={(each) => onPrice({ ...price, each })}
        />
      )}
    </>
  );
}

const NO_AMOUNT: Amount = { byCurrency: {} };

type ActionsProps = { name: string; onSplit: () => void; onRemove?: () => void };

/** Another band begun within one, or one that goes: the band before it takes its place. */
export const BandActions = ({ name, onSplit, onRemove }: ActionsProps) => (
  <span className="ml-auto inline-flex">
    <IconButton
      words={say("Begin another band within {name}", { name })}
      title={say("Begin another band here")}
      onClick={onSplit}
    >
      <Plus size={13} aria-hidden />
    </IconButton>
    {onRemove && (
      <IconButton words={say("Remove {name}", { name })} title={say("Remove this band")} onClick={onRemove}>
        <Trash2 size={13} aria-hidden />
      </IconButton>
    )}
  </span>
);

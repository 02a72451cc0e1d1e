import type { OnlyPieces } from "../../../core/measures/only-goods.ts";
import type { Amount } from "../../../core/money/amount.ts";
import { marketsOf } from "../../../core/places/markets-of.ts";
import { ListField } from "../../fields/list-field.tsx";
import { SelectField } from "../../fields/select-field.tsx";
import { TextsTable } from "../../fields/texts-table.tsx";
import { say } from "../../language/say.ts";
import { asChoices } from "../../names/code-choices.ts";
import { languagesRead } from "../../names/languages.ts";
import { useCatalogueNames } from "../../state/known-names.ts";
import { setOptional } from "../../state/set-optional.ts";
import type { AmountRow } from "../amounts/amounts-table.tsx";
import { EditedAmounts } from "../amounts/edited-amounts.tsx";
import { useEditing } from "../editing.ts";

type Props = {
  /** What they alone do: "count". */
  words: string;
  only: OnlyPieces | undefined;
  /** Whether a price of one piece can be asked for, and a name given that texts call them by. */
  parts: { readonly price: boolean; readonly name: boolean };
  onOnly: (only: OnlyPieces | undefined, done: boolean) => void;
};

/** Some goods alone: by what they are filed under, used or new, by what one piece costs. Folded while it is all of them. */
export function OnlyFields({ words, only, parts, onOnly }: Props) {
  return (
    <details className="w-full" open={only !== undefined}>
      <summary className="min-h-6 cursor-pointer text-[13px] text-quiet">
        {say("Only some goods {words}", { words })}
      </summary>
      <Goods words={words} only={only} parts={parts} onOnly={onOnly} />
    </details>
  );
}

/** Mounted with what folds it: names of the catalogue are few, and asked for once. */
function Goods({ words, only = {}, parts, onOnly }: Props) {
  const names = useCatalogueNames();
  const set = (next: OnlyPieces, done = true) => {
    const { name, price, ...picked } = next;
    const lists = Object.entries(picked).filter(([, part]) => part !== undefined && part.length > 0);
    const ends = price && Object.keys(price).length > 0 ? { price } : {};
    const kept = { ...Object.fromEntries(lists), ...ends };
    // Without any goods named there is nothing to call by a name.
    onOnly(Object.keys(kept).length > 0 ? { ...kept, ...(name ? { name } : {}) } : undefined, done);
  };
  return (
    <div className="my-1.5 grid gap-2 border-l-2 border-primary pl-3">
      <div className="flex flex-wrap items-end gap-x-3 gap-y-2">
        {(["categories", "tags", "skus"] as const).map((part) => (
          <ListField
            key={part}
            label={
              part === "categories"
                ? say("Only categories that {words}", { words })
                : part === "tags"
                  ? say("or tags")
                  : say("or SKUs")
            }
            value={only[part] ?? []}
            leaf={`only/${part}`}
            choices={part === "skus" ? [] : asChoices(names[part])}
            placeholder={say("any")}
            className="w-44"
            onEmpty={() => set({ ...only, [part]: [] })}
            onCommit={(list) => set({ ...only, [part]: list })}
          />
        ))}
        <SelectField<"" | "used" | "new">
          label={say("used or new")}
          value={only.condition ?? ""}
          choices={{ "": say("either"), used: say("used"), new: say("new") }}
          onCommit={(condition) => set(setOptional(only, "condition", condition === "" ? undefined : condition))}
        />
      </div>
      {parts.price && <PriceEach only={only} onOnly={set} />}
      {parts.name && <GoodsName only={only} onOnly={set} />}
    </div>
  );
}

type PartProps = { only: OnlyPieces; onOnly: (only: OnlyPieces, done?: boolean) => void };

/** What one piece costs at least and at most. */
function PriceEach({ only, onOnly }: PartProps) {
  const row = (end: "from" | "upTo", label: string): AmountRow => ({
    key: end,
    label,
    amount: only.price?.[end] ?? {},
    set: (amount: Amount, done) => onOnly({ ...only, price: { ...only.price, [end]: amount } }, done),
  });
  return (
    <>
      <EditedAmounts
        name={say("What one piece costs")}
        rows={[row("from", say("At least")), row("upTo", say("At most"))]}
      />
      {only.price && (
        <button
          type="button"
          className="btn btn-ghost btn-xs justify-self-start"
          onClick={() => onOnly(setOptional(only, "price", undefined))}
        >
          {say("Whatever a piece costs")}
        </button>
      )}
    </>
  );
}

/** What texts call them: {goods}. */
function GoodsName({ only, onOnly }: PartProps) {
  const { plan, zones } = useEditing();
  return (
    <TextsTable
      languages={languagesRead(marketsOf(plan, zones))}
      columns={[
        {
          label: say("Called in texts, as '{goods}'"),
          texts: only.name,
          leaf: "only/name/*",
          onTexts: (name) => onOnly(setOptional(only, "name", name)),
        },
      ]}
    />
  );
}

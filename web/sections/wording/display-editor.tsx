import { contrast, type Display, PLAIN_DISPLAY } from "../../../core/messages/display.ts";
import { STORE_ID } from "../../../core/plan/entities.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import { CheckField } from "../../fields/check-field.tsx";
import { SelectField } from "../../fields/select-field.tsx";
import { TextField } from "../../fields/text-field.tsx";
import { say } from "../../language/say.ts";
import { draftStore } from "../../state/use-draft.ts";

/** WCAG 2.2, success criterion 1.4.11: parts of a graphic need this contrast to be told apart. */
const LEAST_CONTRAST = 3;
/** The page that shops show it on, as far as we know. */
const PAPER = "#ffffff";

const toOneDecimal = (value: number) => ({
  number: value,
  options: { minimumFractionDigits: 1, maximumFractionDigits: 1 },
});

/** How the progress display looks, where it stands and what happens when several offers speak at once. */
export function DisplayEditor({ plan }: { plan: Plan }) {
  const display = plan.store.display ?? PLAIN_DISPLAY;
  const set = (part: Partial<Display>) =>
    draftStore.commit({ kind: "store", id: STORE_ID, body: { ...plan.store, display: { ...display, ...part } } });
  const pairs = [
    { words: say("The filled part beside the open one"), value: contrast(display.fill, display.track) },
    { words: say("The filled part on white"), value: contrast(display.fill, PAPER) },
  ];
  return (
    <section aria-label={say("Look and place")} className="mt-5 border border-base-300 bg-base-100 p-3">
      <h2 className="mb-2 font-semibold">{say("Look and place of the progress display")}</h2>
      <div className="flex flex-wrap items-end gap-3">
        <SelectField
          label={say("Shape")}
          value={display.shape}
          choices={{
            line: say("a line with marks"),
            notches: say("a piece for each step"),
            beads: say("a bead for each item"),
          }}
          onCommit={(shape) => set({ shape })}
        />
        <SelectField
          label={say("Place")}
          value={display.position}
          choices={{ above: say("above the goods"), below: say("below the goods") }}
          onCommit={(position) => set({ position })}
        />
        <SelectField
          label={say("Several offers")}
          value={display.several}
          choices={{ all: say("all, in the plan's order"), nearest: say("only the one furthest along") }}
          onCommit={(several) => set({ several })}
        />
        {(["fill", "track"] as const).map((part) => (
          <TextField
            key={part}
            label={part === "fill" ? say("Colour of what is done") : say("Colour of what is open")}
            className="w-28"
            value={display[part]}
            leaf={`store/display/${part}`}
            read={(text) => text.trim().toLowerCase()}
            onCommit={(colour) => set({ [part]: colour })}
          />
        ))}
        <CheckField
          label={say("can be closed")}
          className="pb-1.5"
          checked={display.closable}
          onCommit={(closable) => set({ closable })}
        />
      </div>
      <ul className="mt-2 text-[13px]">
        {pairs.map(({ words, value }) => (
          <li key={words} className={value < LEAST_CONTRAST ? "text-warning" : "text-quiet"}>
            {value < LEAST_CONTRAST
              ? say("{words}: contrast {contrast} to 1, too little to tell them apart; {least} to 1 is needed", {
                  words,
                  contrast: toOneDecimal(value),
                  least: LEAST_CONTRAST,
                })
              : say("{words}: contrast {contrast} to 1", { words, contrast: toOneDecimal(value) })}
          </li>
        ))}
      </ul>
    </section>
  );
}

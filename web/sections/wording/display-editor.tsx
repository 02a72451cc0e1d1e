import { contrast, type Display, PLAIN_DISPLAY } from "../../../core/messages/display.ts";
import { STORE_ID } from "../../../core/plan/entities.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import { CheckField } from "../../fields/check-field.tsx";
import { SelectField } from "../../fields/select-field.tsx";
import { TextField } from "../../fields/text-field.tsx";
import { draftStore } from "../../state/use-draft.ts";

/** WCAG 2.2, success criterion 1.4.11: parts of a graphic need this contrast to be told apart. */
const LEAST_CONTRAST = 3;
/** The page that shops show it on, as far as we know. */
const PAPER = "#ffffff";

/** How the progress display looks, where it stands and what happens when several offers speak at once. */
export function DisplayEditor({ plan }: { plan: Plan }) {
  const display = plan.store.display ?? PLAIN_DISPLAY;
  const set = (part: Partial<Display>) =>
    draftStore.commit({ kind: "store", id: STORE_ID, body: { ...plan.store, display: { ...display, ...part } } });
  const pairs = [
    { words: "The filled part beside the open one", value: contrast(display.fill, display.track) },
    { words: "The filled part on white", value: contrast(display.fill, PAPER) },
  ];
  return (
    <section aria-label="Look and place" className="mt-5 border border-base-300 bg-base-100 p-3">
      <h2 className="mb-2 font-semibold">Look and place of the progress display</h2>
      <div className="flex flex-wrap items-end gap-3">
        <SelectField
          label="Shape"
          value={display.shape}
          choices={{ line: "a line with marks", notches: "a piece for each step", beads: "a bead for each item" }}
          onCommit={(shape) => set({ shape })}
        />
        <SelectField
          label="Place"
          value={display.position}
          choices={{ above: "above the goods", below: "below the goods" }}
          onCommit={(position) => set({ position })}
        />
        <SelectField
          label="Several offers"
          value={display.several}
          choices={{ all: "all, in the plan's order", nearest: "only the one furthest along" }}
          onCommit={(several) => set({ several })}
        />
        {(["fill", "track"] as const).map((part) => (
          <TextField
            key={part}
            label={part === "fill" ? "Colour of what is done" : "Colour of what is open"}
            className="w-28"
            value={display[part]}
            leaf={`store/display/${part}`}
            read={(text) => text.trim().toLowerCase()}
            onCommit={(colour) => set({ [part]: colour })}
          />
        ))}
        <CheckField
          label="can be closed"
          className="pb-1.5"
          checked={display.closable}
          onCommit={(closable) => set({ closable })}
        />
      </div>
      <ul className="mt-2 text-[13px]">
        {pairs.map(({ words, value }) => (
          <li key={words} className={value < LEAST_CONTRAST ? "text-warning" : "text-quiet"}>
            {words}: contrast {value.toFixed(1)} to 1
            {value < LEAST_CONTRAST && `, too little to tell them apart; ${LEAST_CONTRAST} to 1 is needed`}
          </li>
        ))}
      </ul>
    </section>
  );
}

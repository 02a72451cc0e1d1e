import Power from "lucide-react/icons/power";
import Trash2 from "lucide-react/icons/trash-2";
import { timeZonesOf } from "../../../core/checks/time-zones.ts";
import { SURFACES } from "../../../core/messages/states.ts";
import type { Notice } from "../../../core/offers/notice.ts";
import { phrase } from "../../../core/phrases/phrase.ts";
import { marketsOf } from "../../../core/places/markets-of.ts";
import { ConditionBuilder } from "../../editors/conditions/condition-builder.tsx";
import { useEditing } from "../../editors/editing.ts";
import { ZoneChoice } from "../../editors/places/zone-choice.tsx";
import { ScheduleEditor } from "../../editors/schedules/schedule-editor.tsx";
import { ChoicesField } from "../../fields/choices-field.tsx";
import { type Order, OrderButtons } from "../../fields/order-buttons.tsx";
import { TextField } from "../../fields/text-field.tsx";
import { TextsTable } from "../../fields/texts-table.tsx";
import { say } from "../../language/say.ts";
import { languagesRead } from "../../names/languages.ts";
import { FindingsBeside } from "../../state/findings-context.tsx";
import { setOptional } from "../../state/set-optional.ts";

type Props = { notice: Notice; order: Order; onNotice: (notice: Notice | null) => void };

const WHERE_READ = {
  banner: phrase("on the banner"),
  cart: phrase("in the cart"),
  checkout: phrase("in the checkout"),
} as const;

/** One notice: what it says, on which pages, and where, when and to whom. */
export function NoticeEditor({ notice, order, onNotice }: Props) {
  const { plan, zones } = useEditing();
  const { link } = notice;
  const languages = languagesRead(marketsOf(plan, zones));
  const set = (part: Partial<Notice>) => onNotice({ ...notice, ...part });
  return (
    <section aria-label={notice.name} id={`notice/${notice.id}`} className="grid gap-3 border-t border-base-300 pt-3">
      <header className="flex flex-wrap items-end gap-1">
        <TextField
          label={say("Name, for your eyes only")}
          className="mr-auto w-72"
          value={notice.name}
          leaf="notice/name"
          onCommit={(name) => set({ name })}
        />
        <OrderButtons name={notice.name} {...order} />
        <button type="button" className="btn btn-ghost btn-sm" onClick={() => set({ on: !notice.on })}>
          <Power size={14} aria-hidden /> {notice.on ? say("Switch off") : say("Switch on")}
          <span className="sr-only"> {notice.name}</span>
        </button>
        <button type="button" className="btn btn-ghost btn-sm" onClick={() => onNotice(null)}>
          <Trash2 size={14} aria-hidden /> {say("Remove")}
          <span className="sr-only"> {notice.name}</span>
        </button>
      </header>
      {!notice.on && <p className="text-quiet">{say("Switched off: nobody reads it.")}</p>}
      <FindingsBeside kind="notice" id={notice.id} />
      <TextsTable
        languages={languages}
        columns={[
          {
            label: say("What it says"),
            texts: notice.texts,
            leaf: "notice/texts/*",
            required: true,
            onTexts: (texts) => texts && set({ texts }),
          },
          {
            label: say("Words of the link"),
            texts: link?.texts,
            leaf: "notice/link/texts/*",
            onTexts: (texts) =>
              onNotice(setOptional(notice, "link", texts ? { to: link?.to ?? "/", texts } : undefined)),
          },
        ]}
      />
      {link && (
        <TextField
          label={say("Where the link leads")}
          className="w-96"
          value={link.to}
          leaf="notice/link/to"
          onCommit={(to) => set({ link: { ...link, to } })}
          onEmpty={() => onNotice(setOptional(notice, "link", undefined))}
        />
      )}
      <ChoicesField
        label={say("Where it is read")}
        lead={<span className="text-quiet">{say("It is read")}</span>}
        value={notice.surfaces}
        choices={SURFACES.map((value) => ({ value, words: WHERE_READ[value] }))}
        leaf="notice/surfaces"
        onCommit={(surfaces) => set({ surfaces })}
      />
      <details>
        <summary className="cursor-pointer text-quiet">
          {notice.zones.length === 0
            ? say("Wherever the store sells")
            : say("In {count} zones only", { count: notice.zones.length })}
        </summary>
        <ZoneChoice
          label={say("Where it is told; none: wherever the store sells")}
          zones={plan.zones}
          chosen={notice.zones}
          onChoose={(chosen) => set({ zones: chosen })}
        />
      </details>
      <ConditionBuilder
        condition={notice.when}
        lead={say("It is told to")}
        onCondition={(when) => onNotice(setOptional(notice, "when", when))}
      />
      <ScheduleEditor
        always={say("It is told all the time.")}
        schedule={notice.schedule}
        timeZones={timeZonesOf(plan, zones)}
        onSchedule={(schedule) => onNotice(setOptional(notice, "schedule", schedule))}
      />
    </section>
  );
}

import {
  type Announcements,
  DndContext,
  type DragEndEvent,
  KeyboardSensor,
  PointerSensor,
  type UniqueIdentifier,
  useSensor,
  useSensors,
} from "@dnd-kit/core";
import {
  arrayMove,
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from "@dnd-kit/sortable";
import { CSS } from "@dnd-kit/utilities";
import GripVertical from "lucide-react/icons/grip-vertical";
import { memo, useMemo, useState } from "react";
import type { DeliveryOption } from "../../../core/delivery/option.ts";
import { optionName } from "../../../core/explain/option-name.ts";
import { say } from "../../language/say.ts";
import { afterPaint } from "../../state/after-paint.ts";

/** An option as it stands in the list. */
export type OptionRow = {
  option: DeliveryOption;
  /** What it is called, apart from others of its name. */
  name: string;
  /** Where it is offered, as words. */
  places: string;
  /** What it costs, as words. */
  cost: string;
  /** Whether it is offered at the standpoint. */
  here: boolean;
};

type Props = {
  rows: readonly OptionRow[];
  selected: string | null;
  onSelect: (id: string) => void;
  onMove: (id: string, to: number) => void;
};

/** The options in the order shoppers see them; moved by dragging, or by keyboard on the grip. */
export function OptionList({ rows, selected, onSelect, onMove }: Props) {
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const [dropped, setDropped] = useState<{ from: readonly OptionRow[]; rows: readonly OptionRow[] } | null>(null);
  // What was dropped lies in its place at once; the plan follows when that has been drawn.
  const shown = dropped?.from === rows ? dropped.rows : rows;
  // The same list while the order is the same: with another one every row would be drawn again.
  const inOrder = shown.map(({ option }) => option.id).join(" ");
  const ids = useMemo(() => (inOrder === "" ? [] : inOrder.split(" ")), [inOrder]);
  const drop = ({ active, over }: DragEndEvent) => {
    const [id, to] = [String(active.id), ids.indexOf(String(over?.id))];
    if (!over || active.id === over.id || to < 0) return;
    setDropped({ from: rows, rows: arrayMove([...shown], ids.indexOf(id), to) });
    afterPaint(() => onMove(id, to));
  };
  return (
    <DndContext sensors={sensors} onDragEnd={drop} accessibility={{ announcements: announcementsFor(shown) }}>
      <SortableContext items={ids} strategy={verticalListSortingStrategy}>
        <ul aria-label={say("Delivery options")}>
          {shown.map((row) => (
            <Row key={row.option.id} {...row} selected={row.option.id === selected} onSelect={onSelect} />
          ))}
        </ul>
      </SortableContext>
    </DndContext>
  );
}

/** What is said to who does not see it move: options by their names, and places by their number. */
function announcementsFor(rows: readonly OptionRow[]): Announcements {
  const nameOf = (id: UniqueIdentifier) => rows.find(({ option }) => option.id === id)?.name ?? String(id);
  const placeOf = (id: UniqueIdentifier) =>
    say("place {number} of {count}", {
      number: rows.findIndex(({ option }) => option.id === id) + 1,
      count: rows.length,
    });
  return {
    onDragStart: ({ active }) =>
      say("Picked up {name}, {place}.", { name: nameOf(active.id), place: placeOf(active.id) }),
    onDragOver: ({ active, over }) =>
      over
        ? say("{name} is over {place}, {other}.", {
            name: nameOf(active.id),
            place: placeOf(over.id),
            other: nameOf(over.id),
          })
        : "",
    onDragEnd: ({ active, over }) =>
      over
        ? say("{name} is at {place} now.", { name: nameOf(active.id), place: placeOf(over.id) })
        : say("{name} stays where it was.", { name: nameOf(active.id) }),
    onDragCancel: ({ active }) => say("{name} stays where it was.", { name: nameOf(active.id) }),
  };
}

type RowProps = OptionRow & { selected: boolean; onSelect: (id: string) => void };

const Row = memo(function Row({ option, name, cost, places, here, selected, onSelect }: RowProps) {
  const { attributes, listeners, setNodeRef, transform, transition } = useSortable({ id: option.id });
  return (
    <li
      ref={setNodeRef}
      style={{ transform: CSS.Translate.toString(transform), transition }}
      className={`flex items-start border-b border-base-300 ${selected ? "bg-base-100" : ""}`}
    >
      <button
        type="button"
        className="min-w-6 cursor-grab px-1.5 py-2.5 text-quiet"
        {...attributes}
        {...listeners}
        aria-label={say("Move {option}", { option: name })}
      >
        <GripVertical size={14} aria-hidden />
      </button>
      <button
        type="button"
        aria-current={selected || undefined}
        className="min-w-0 flex-1 cursor-pointer py-2 pr-2 text-left"
        onClick={() => onSelect(option.id)}
      >
        <span className={`font-semibold ${option.on === false ? "text-quiet line-through" : ""}`}>
          {optionName(option)}
        </span>
        {here && <span className="ml-1.5 text-[13px] text-primary">{say("here")}</span>}
        {!here && <span className="block truncate text-[13px] text-quiet">{places}</span>}
        <span className="block truncate text-[13px] text-quiet">
          {option.on === false ? say("switched off") : cost}
        </span>
      </button>
    </li>
  );
});

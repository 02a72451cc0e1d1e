import { say } from "../language/say.ts";

/** Something common that can be made, and what it would come to. */
export type ShownPattern = {
  readonly id: string;
  readonly name: string;
  readonly says: readonly string[];
  readonly onTake: () => void;
};

type Props = { label: string; patterns: readonly ShownPattern[] };

/** Common set-ups in a popover, each with what it would come to before it is taken. */
export const PatternList = ({ label, patterns }: Props) => (
  <ul aria-label={label} className="grid gap-3 text-[13px]">
    {patterns.map(({ id, name, says, onTake }) => (
      <li key={id} className="grid justify-items-start gap-1">
        <button
          type="button"
          className="btn btn-xs py-1 text-left"
          onClick={(event) => {
            event.currentTarget.closest("dialog")?.hidePopover();
            onTake();
          }}
        >
          {name}
        </button>
        {says.map((line) => (
          <span key={line} className="text-quiet" dir="auto">
            {line}
          </span>
        ))}
      </li>
    ))}
    {patterns.length === 0 && <li className="text-quiet">{say("Nothing of the kind is missing here.")}</li>}
  </ul>
);

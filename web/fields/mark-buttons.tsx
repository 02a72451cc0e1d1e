import Bold from "lucide-react/icons/bold";
import LinkIcon from "lucide-react/icons/link";
import { type ReactNode, useRef } from "react";
import { say } from "../language/say.ts";

type Props = { of: string; children: ReactNode };

/** Bold and a link for what is chosen in the field inside, as marks around it: `**so**`, `[so](/address)`. */
export function MarkButtons({ of, children }: Props) {
  const frame = useRef<HTMLDivElement>(null);
  const mark = (before: string, after: string) => {
    const field = frame.current?.querySelector("input");
    if (!field) return;
    const [from, to] = [field.selectionStart ?? field.value.length, field.selectionEnd ?? field.value.length];
    field.focus();
    field.setRangeText(`${before}${field.value.slice(from, to)}${after}`, from, to, "select");
    field.dispatchEvent(new Event("input", { bubbles: true }));
    // What comes next is typed where it is missing: the words, or else the address.
    const start = from + before.length;
    if (from === to) field.setSelectionRange(start, start);
    else if (after.startsWith("](")) {
      const address = start + (to - from) + 2;
      field.setSelectionRange(address, address + after.length - 3);
    }
  };
  return (
    <div ref={frame} className="flex items-start gap-0.5">
      <div className="min-w-0 flex-1">{children}</div>
      <MarkButton words={say("Bold in {field}", { field: of })} onMark={() => mark("**", "**")}>
        <Bold size={14} aria-hidden />
      </MarkButton>
      <MarkButton words={say("A link in {field}", { field: of })} onMark={() => mark("[", "](/)")}>
        <LinkIcon size={14} aria-hidden />
      </MarkButton>
    </div>
  );
}

type ButtonProps = { words: string; onMark: () => void; children: ReactNode };

/** Pressing it leaves the field as it is: what was typed is not kept before it is marked. */
const MarkButton = ({ words, onMark, children }: ButtonProps) => (
  <button
    type="button"
    className="btn btn-ghost btn-xs btn-square mt-1"
    title={words}
    onMouseDown={(event) => event.preventDefault()}
    onClick={onMark}
  >
    {children}
    <span className="sr-only">{words}</span>
  </button>
);

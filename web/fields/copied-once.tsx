import { useState } from "react";
import { say } from "../language/say.ts";

/** Something that is shown once, to be taken along: a link, a key. */
export function CopiedOnce({ label, text, about }: { label: string; text: string; about: string }) {
  const [isCopied, setIsCopied] = useState(false);
  return (
    <div role="status" className="grid gap-1.5 border-l-2 border-primary pl-3">
      <label className="grid min-w-0 grid-cols-[minmax(0,auto)] gap-1 text-[13px] text-quiet">
        {label}
        <input
          className="input input-sm w-full max-w-xl font-mono text-base-content"
          value={text}
          readOnly
          onFocus={(event) => event.target.select()}
        />
      </label>
      <p className="flex flex-wrap items-center gap-3 text-[13px] text-quiet">
        <button
          type="button"
          className="btn btn-xs"
          onClick={() => void navigator.clipboard.writeText(text).then(() => setIsCopied(true))}
        >
          {isCopied ? say("Copied") : say("Copy it")}
        </button>
        {about}
      </p>
    </div>
  );
}

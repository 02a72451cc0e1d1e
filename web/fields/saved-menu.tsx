import { useMutation } from "@tanstack/react-query";
import { type ReactNode, useState } from "react";
import { freeId } from "../../core/schema/positions.ts";
import { say } from "../language/say.ts";
import { problemWords } from "../state/api.ts";
import { Popover } from "./popover.tsx";

type Named = { readonly id: string; readonly name: string };

type Props = {
  label: string;
  /** What the menu is called while it is closed. */
  shown: string;
  side?: "left" | "right";
  /** What the field for a new name is called. */
  keepAs: string;
  saved: readonly Named[];
  /** Keeps what is on screen; what is there under the same id is changed. */
  keep: (one: Named) => Promise<unknown>;
  forget: (id: string) => Promise<unknown>;
  children: (actions: { keep: (one: Named) => void; forget: (id: string) => void }) => ReactNode;
};

/** A menu of things kept under names: those there are, a field for one more, and why one could not be kept. */
export function SavedMenu({ label, shown, side, keepAs, saved, keep, forget, children }: Props) {
  const [name, setName] = useState("");
  const keeping = useMutation({ mutationFn: keep, onSuccess: () => setName("") });
  const forgetting = useMutation({ mutationFn: forget });
  const error = keeping.error ?? forgetting.error;
  const called = name.trim();
  const actions = {
    keep: (one: Named) => {
      forgetting.reset();
      keeping.mutate(one);
    },
    forget: (id: string) => {
      keeping.reset();
      forgetting.mutate(id);
    },
  };
  return (
    <Popover label={label} shown={shown} {...(side ? { side } : {})}>
      {children(actions)}
      <form
        className="mt-2 flex items-end gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          if (called === "") return;
          const taken = saved.map(({ id }) => id);
          actions.keep({ id: freeId(called, taken), name: called });
        }}
      >
        <label className="grid min-w-0 flex-1 gap-1 text-[13px]">
          {keepAs}
          <input
            className="input input-sm w-full"
            value={name}
            maxLength={100}
            onChange={(event) => setName(event.target.value)}
          />
        </label>
        <button type="submit" className="btn btn-sm btn-neutral" disabled={called === "" || keeping.isPending}>
          {say("Keep")}
        </button>
      </form>
      {error && (
        <p role="alert" className="mt-1 text-warning">
          {problemWords(error)}
        </p>
      )}
    </Popover>
  );
}

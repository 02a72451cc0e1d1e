import { useQuery, useQueryClient } from "@tanstack/react-query";
import X from "lucide-react/icons/x";
import { useState } from "react";
import { freeId } from "../../core/schema/positions.ts";
import { SentencePopover } from "../fields/sentence-popover.tsx";
import { SetAsideList } from "../fields/set-aside.tsx";
import { ApiError, api } from "../state/api.ts";
import type { Standpoint } from "../state/standpoint.ts";

type Props = { standpoint: Standpoint; onChange: (standpoint: Standpoint) => void };

/** Standpoints a team comes back to: taken up with one click, kept under a name. */
export function SavedStandpointsMenu({ standpoint, onChange }: Props) {
  const client = useQueryClient();
  const { data } = useQuery({ queryKey: ["standpoints"], queryFn: api.standpoints });
  const [name, setName] = useState("");
  const [problem, setProblem] = useState<string | null>(null);
  const kept = data?.standpoints ?? [];
  const run = async (work: () => ReturnType<typeof api.standpoints>) => {
    try {
      client.setQueryData(["standpoints"], await work());
      setProblem(null);
    } catch (error) {
      const lines = error instanceof ApiError ? error.lines : [];
      setProblem([error instanceof Error ? error.message : String(error), ...lines].join("; "));
    }
  };
  return (
    <SentencePopover label="Kept standpoints" shown={kept.length === 0 ? "keep" : `${kept.length} kept`}>
      <ul className="grid gap-1">
        {kept.map(({ id, name: called, body }) => (
          <li key={id} className="flex items-center">
            <button type="button" className="link min-w-0 flex-1 truncate text-left" onClick={() => onChange(body)}>
              {called}
            </button>
            <button
              type="button"
              className="btn btn-ghost btn-xs btn-square"
              onClick={() => void run(() => api.dropStandpoint(id))}
            >
              <X size={13} aria-hidden />
              <span className="sr-only">Forget {called}</span>
            </button>
          </li>
        ))}
      </ul>
      <SetAsideList list={data?.setAside ?? []} onForget={(id) => void run(() => api.dropStandpoint(id))} />
      <form
        className="mt-2 flex items-end gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          const called = name.trim();
          if (called === "") return;
          const id = freeId(
            called,
            kept.map((one) => one.id),
          );
          void run(() => api.keepStandpoint({ id, name: called, body: standpoint })).then(() => setName(""));
        }}
      >
        <label className="grid min-w-0 flex-1 gap-1 text-[13px]">
          Keep this one as
          <input
            className="input input-sm w-full"
            value={name}
            maxLength={100}
            onChange={(event) => setName(event.target.value)}
          />
        </label>
        <button type="submit" className="btn btn-sm btn-neutral" disabled={name.trim() === ""}>
          Keep
        </button>
      </form>
      {problem && (
        <p role="alert" className="mt-1 text-warning">
          {problem}
        </p>
      )}
    </SentencePopover>
  );
}

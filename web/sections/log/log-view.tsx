import { keepPreviousData, useInfiniteQuery, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { type Phrase, phrase } from "../../../core/phrases/phrase.ts";
import type { LogPart } from "../../../server/log/read-log.ts";
import { Loading } from "../../fields/loading.tsx";
import { NotLoaded } from "../../fields/not-loaded.tsx";
import { SectionHeading } from "../../fields/section-heading.tsx";
import { SelectField } from "../../fields/select-field.tsx";
import { say } from "../../language/say.ts";
import { ownAccount, peopleApi } from "../../state/people-api.ts";
import { useDebounced } from "../../state/use-debounced.ts";
import { LogRow } from "./log-row.tsx";

const SHOWN: Readonly<Record<LogPart | "all", Phrase>> = {
  all: phrase("everything"),
  changes: phrase("changes of the draft"),
  releases: phrase("releases"),
  claims: phrase("claims"),
  people: phrase("people, keys and settings"),
};
/** Who signed in, and from where, is for whoever runs the store. */
const { people: _, ...FOR_ALL } = SHOWN;
const isPart = (name: string): name is LogPart => name !== "all";
const ALL = Object.keys(SHOWN).filter(isPart);
const PAUSE_MS = 250;

/** Who did what: searched, and each change of the draft taken back as an edit. */
export function LogView() {
  const [shown, setShown] = useState<LogPart | "all">("all");
  const [typed, setTyped] = useState("");
  const role = useQuery(ownAccount).data?.person.role;
  const search = useDebounced(typed.trim(), PAUSE_MS);
  const parts = shown === "all" ? ALL : [shown];
  const log = useInfiniteQuery({
    queryKey: ["log", shown, search],
    queryFn: ({ pageParam }) => peopleApi.log({ parts, search, before: pageParam }),
    initialPageParam: undefined as string | undefined,
    getNextPageParam: ({ hasMore, lines }) => (hasMore ? lines.at(-1)?.at : undefined),
    placeholderData: keepPreviousData,
    staleTime: 0,
  });
  const lines = log.data?.pages.flatMap((page) => page.lines) ?? [];
  return (
    <div className="mx-auto max-w-[900px]">
      <SectionHeading className="text-[20px] font-bold">{say("Change log")}</SectionHeading>
      <div className="mt-3 mb-4 flex flex-wrap items-end gap-3">
        <SelectField label={say("Show")} value={shown} choices={role === "run" ? SHOWN : FOR_ALL} onCommit={setShown} />
        <label className="grid min-w-0 grid-cols-[minmax(0,auto)] gap-0.5 text-[13px] text-quiet">
          {say("With")}
          <input
            type="search"
            className="input input-sm w-72 text-base-content"
            placeholder={say("a name of somebody or something, an order, a note")}
            value={typed}
            maxLength={200}
            onChange={(event) => setTyped(event.target.value)}
          />
        </label>
      </div>
      <NotLoaded error={log.error} />
      {log.isPending && <Loading />}
      {log.data && lines.length === 0 && <p role="status">{say("Nothing in the log fits that.")}</p>}
      <ol aria-label={say("Change log")} className="border-t border-base-300">
        {lines.map((line, i) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: lines only ever come on at the end.
          <LogRow key={`${i}`} line={line} />
        ))}
      </ol>
      {log.hasNextPage && (
        <button
          type="button"
          className="btn btn-sm mt-4"
          disabled={log.isFetchingNextPage}
          onClick={() => void log.fetchNextPage()}
        >
          {say("Show what was before")}
        </button>
      )}
    </div>
  );
}

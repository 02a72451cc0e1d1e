import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Link } from "wouter";
import type { Release } from "../../../server/releases/release.ts";
import { TableOfThings } from "../../fields/table-of-things.tsx";
import { say, theReader } from "../../language/say.ts";
import { momentOfYear } from "../../names/moment-words.ts";
import { api, errorWords, problemWords } from "../../state/api.ts";
import { releaseList } from "../../state/server-queries.ts";
import { draftStore } from "../../state/use-draft.ts";

type Props = { timeZone: string; opened: string | null };

/** Every release, where it stands, and what can be done with one that waits. */
export function ReleaseTable({ timeZone, opened }: Props) {
  const client = useQueryClient();
  const releases = useQuery(releaseList);
  const changing = useMutation({
    mutationFn: api.changeRelease,
    onSettled: () => Promise.all([draftStore.load(), client.invalidateQueries(releaseList)]),
  });
  return (
    <>
      <TableOfThings label={say("Releases")} heads={[say("Number"), say("Made"), say("Where it stands"), say("Note")]}>
        {(releases.data?.releases ?? []).map((release) => (
          <tr key={release.number} className={String(release.number) === opened ? "bg-base-200" : ""}>
            <th scope="row">
              <Link
                className="link"
                href={`/release#${release.number}`}
                aria-label={say("Open release {number}", { number: release.number })}
              >
                {release.number}
              </Link>
            </th>
            <td>
              {new Date(release.releasedAt).toLocaleString(theReader().clock, {
                dateStyle: "medium",
                timeStyle: "short",
              })}
              <span className="block text-[13px] text-quiet">{say("by {who}", { who: release.releasedBy })}</span>
            </td>
            <td>{stateWords(release, timeZone)}</td>
            <td className="max-w-64 break-words">{release.note}</td>
            <td className="whitespace-nowrap text-right">
              {release.state === "waiting" && (
                <>
                  <button
                    type="button"
                    className="btn btn-xs mr-2"
                    title={say("Takes the draft's rates and today's public holidays into it")}
                    disabled={changing.isPending}
                    onClick={() => changing.mutate({ number: release.number, do: "freeze-anew" })}
                  >
                    {say("Freeze rates anew")}
                    <span className="sr-only"> {say("in release {number}", { number: release.number })}</span>
                  </button>
                  <button
                    type="button"
                    className="btn btn-xs"
                    disabled={changing.isPending}
                    onClick={() => changing.mutate({ number: release.number, do: "call-off" })}
                  >
                    {say("Call off")}
                    <span className="sr-only"> {say("release {number}", { number: release.number })}</span>
                  </button>
                </>
              )}
            </td>
          </tr>
        ))}
      </TableOfThings>
      {(changing.error ?? releases.error) && (
        <p role="alert" className="p-3 text-warning">
          {changing.error
            ? say("Not done: {problem}.", { problem: problemWords(changing.error) })
            : say("The releases could not be loaded: {message}", { message: errorWords(releases.error) })}
        </p>
      )}
    </>
  );
}

function stateWords({ state, moment }: Release, timeZone: string) {
  const from = moment === null ? null : momentOfYear(Date.parse(moment), timeZone);
  switch (state) {
    case "in-force":
      return (
        <span className="text-primary">
          {say("what shops get")}
          {from !== null && <span className="block text-[13px] text-quiet">{say("since {from}", { from })}</span>}
        </span>
      );
    case "waiting":
      return (
        <span className="font-semibold">
          {say("waits until")} {from}
        </span>
      );
    case "called-off":
      return <span className="text-quiet">{say("called off")}</span>;
    case "past":
      return <span className="text-quiet">{say("replaced")}</span>;
  }
}

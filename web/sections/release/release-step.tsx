import { useQuery } from "@tanstack/react-query";
import type { ComponentProps } from "react";
import type { ReleaseAsked } from "../../../server/releases/asked-releases.ts";
import { say } from "../../language/say.ts";
import { momentOfYear } from "../../names/moment-words.ts";
import { ownAccount, storeSettings } from "../../state/people-api.ts";
import { releaseList } from "../../state/server-queries.ts";
import { ReleaseForm } from "./release-form.tsx";

type Props = Omit<ComponentProps<typeof ReleaseForm>, "twoPeople">;

const MAY_RELEASE: ReadonlySet<string> = new Set(["release", "run"]);

/** Releasing, for whom it is allowed; where it takes two people, asking for it comes first. */
export function ReleaseStep(props: Props) {
  const who = useQuery(ownAccount).data?.person;
  const { data: settings } = useQuery(storeSettings);
  const asked = useQuery(releaseList).data?.asked ?? null;
  if (who && !MAY_RELEASE.has(who.role))
    return <p className="mt-4 text-quiet">{say("Your role does not let you release: ask somebody whose does.")}</p>;
  if (!settings?.secondPerson) return <ReleaseForm {...props} />;
  const isSecond = asked !== null && asked.by !== who?.name;
  const twoPeople = {
    words: isSecond ? say("Release as number {number}", { number: props.next }) : say("Ask for it to be released"),
    status: <Asked asked={asked} isSecond={isSecond} timeZone={props.timeZone} />,
  };
  return <ReleaseForm {...props} twoPeople={twoPeople} />;
}

/** What was asked for, and what is still to be done: whoever makes it makes it as it was asked for. */
function Asked({ asked, isSecond, timeZone }: { asked: ReleaseAsked | null; isSecond: boolean; timeZone: string }) {
  if (!asked) return <p className="text-quiet">{say("A release takes two people here: another one makes it.")}</p>;
  const when = asked.moment === null ? say("at once") : momentOfYear(Date.parse(asked.moment), timeZone);
  return (
    <p role="status" className="border-l-2 border-primary pl-3">
      {isSecond
        ? say("{who} asks to release this, from: {when}.", { who: asked.by, when })
        : say("You have asked to release this, from: {when}. It waits for another person.", { when })}
      {asked.note !== "" && <span className="block text-[13px] text-quiet">{asked.note}</span>}
    </p>
  );
}

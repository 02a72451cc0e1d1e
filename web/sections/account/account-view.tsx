import { useQuery } from "@tanstack/react-query";
import { Loading } from "../../fields/loading.tsx";
import { NotLoaded } from "../../fields/not-loaded.tsx";
import { SectionHeading } from "../../fields/section-heading.tsx";
import { say } from "../../language/say.ts";
import { ROLE_WORDS } from "../../names/role-words.ts";
import { ownAccount } from "../../state/people-api.ts";
import { PasswordForm } from "./password-form.tsx";
import { SecondFactor } from "./second-factor.tsx";
import { SessionList } from "./session-list.tsx";

/** What somebody signs in with, and where they are signed in. */
export function AccountView() {
  const { data, error } = useQuery(ownAccount);
  return (
    <div className="mx-auto grid max-w-[900px] gap-4">
      <SectionHeading className="text-[20px] font-bold">{say("Your account")}</SectionHeading>
      <NotLoaded error={error} />
      {!data && !error && <Loading />}
      {data && (
        <>
          <p>{say("You are {name} and may {role}.", { name: data.person.name, role: ROLE_WORDS[data.person.role] })}</p>
          {data.person.owesSecondFactor && (
            <p role="alert" className="border-l-2 border-warning pl-3 text-warning">
              {say("Whoever runs this store asks for a second factor of you: set it up here, then go on.")}
            </p>
          )}
          <PasswordForm name={data.person.name} hasPassword={data.hasPassword} />
          <SecondFactor isOn={data.hasSecondFactor} hasPassword={data.hasPassword} />
          <SessionList sessions={data.sessions} />
        </>
      )}
    </div>
  );
}

import { useState } from "react";
import { FormField } from "../../fields/form-field.tsx";
import { say } from "../../language/say.ts";
import { problemAt, problemElsewhere, useAccountChange } from "../../state/use-account-change.ts";
import { CurrentPassword } from "./current-password.tsx";

/** A new password: for who has none yet, or knows the one there is. */
export function PasswordForm({ name, hasPassword }: { name: string; hasPassword: boolean }) {
  const [current, setCurrent] = useState("");
  const [password, setPassword] = useState("");
  const changing = useAccountChange();
  const { error, isSuccess, isPending } = changing;
  return (
    <section aria-label={say("Password")} className="border border-base-300 bg-base-100 p-4">
      <h2 className="mb-2 font-semibold">{say("Password")}</h2>
      {!hasPassword && (
        <p className="mb-3 text-warning">
          {say("You have none yet: without one you do not come back when you are signed out.")}
        </p>
      )}
      <form
        className="grid gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          const forget = () => {
            setCurrent("");
            setPassword("");
          };
          changing.mutate({ do: "set-password", current, password }, { onSuccess: forget });
        }}
      >
        {/* For the browser, which keeps passwords by names. */}
        <input type="text" autoComplete="username" value={name} readOnly hidden />
        {hasPassword && <CurrentPassword value={current} onChange={setCurrent} error={error} />}
        <FormField
          label={say("Your new password")}
          value={password}
          onChange={setPassword}
          fills="new-password"
          problem={problemAt(error, "password")}
          hint={say("At least 12 characters; several words that belong to no saying are good.")}
        />
        <div className="flex items-center gap-3">
          <button type="submit" className="btn btn-sm" disabled={isPending}>
            {say("Set the password")}
          </button>
          <span role="status" className="text-[13px] text-quiet">
            {isSuccess && say("Set. Everywhere else you are signed out.")}
          </span>
        </div>
        {problemElsewhere(error) && (
          <p role="alert" className="text-warning">
            {problemElsewhere(error)}
          </p>
        )}
      </form>
    </section>
  );
}

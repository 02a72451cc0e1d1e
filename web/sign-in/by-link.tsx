import { useEffect, useState } from "react";
import type { LinkKind } from "../../server/people/one-time-links.ts";
import { FormField } from "../fields/form-field.tsx";
import { say } from "../language/say.ts";
import { errorWords, problemWords } from "../state/api.ts";
import { peopleApi } from "../state/people-api.ts";
import { SignInForm } from "./sign-in-form.tsx";

type Known = { readonly name: string; readonly kind: LinkKind };

const toPassword = () => window.location.assign("/sign-in");

/** By a link that works once. @param token what its address ends with, which no server and no log sees on the way */
export function ByLink({ token }: { token: string }) {
  const [known, setKnown] = useState<Known | null>(null);
  const [password, setPassword] = useState("");
  const [problem, setProblem] = useState<string | null>(null);
  const [isBusy, setIsBusy] = useState(false);
  useEffect(() => {
    peopleApi.lookAtLink(token).then(setKnown, (error: unknown) => setProblem(errorWords(error)));
  }, [token]);
  const use = async () => {
    setIsBusy(true);
    try {
      const { signedIn } = await peopleApi.redeem({ token, ...(needsPassword ? { password } : {}) });
      if (signedIn) window.location.replace("/");
      else toPassword();
    } catch (error) {
      setProblem(error instanceof Error ? problemWords(error) : String(error));
      setIsBusy(false);
    }
  };
  const needsPassword = known !== null && known.kind !== "first";
  return (
    <SignInForm
      label={say("Sign in by a link")}
      heading={known === null ? say("Sign in by a link") : say("Welcome, {name}", { name: known.name })}
      problem={problem}
      words={known && (needsPassword ? say("Set it and sign in") : say("Sign in"))}
      isBusy={isBusy}
      onSend={use}
      otherwise={
        <button type="button" className="link text-base-content" onClick={toPassword}>
          {say("Sign in by name and password")}
        </button>
      }
    >
      {known?.kind === "first" && (
        <p>{say("This link signs you in once. Set a password then, under Your account in the menu, to come back.")}</p>
      )}
      {needsPassword && (
        <FormField
          label={say("Your new password")}
          value={password}
          onChange={setPassword}
          fills="new-password"
          hint={say("At least 12 characters; several words that belong to no saying are good.")}
        />
      )}
    </SignInForm>
  );
}

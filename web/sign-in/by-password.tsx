import { useState } from "react";
import { FormField } from "../fields/form-field.tsx";
import { say } from "../language/say.ts";
import { ApiError, problemWords } from "../state/api.ts";
import { peopleApi } from "../state/people-api.ts";
import { goOn } from "./go-on.ts";
import { SignInForm } from "./sign-in-form.tsx";

/** Name and password; the code is asked for where there is a second factor. */
export function ByPassword() {
  const [name, setName] = useState("");
  const [password, setPassword] = useState("");
  const [code, setCode] = useState("");
  const [wantsCode, setWantsCode] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const [isBusy, setIsBusy] = useState(false);
  const send = async () => {
    setIsBusy(true);
    try {
      await peopleApi.signIn({ name, password, ...(wantsCode ? { code } : {}) });
      goOn();
    } catch (error) {
      if (!(error instanceof ApiError)) throw error;
      setWantsCode(error.wants === "code");
      setProblem(problemWords(error));
      setCode("");
      setIsBusy(false);
    }
  };
  return (
    <SignInForm
      label={say("Sign in")}
      heading={say("Sign in")}
      problem={problem}
      words={say("Sign in")}
      isBusy={isBusy}
      onSend={send}
      otherwise={say(
        "Password lost? Whoever runs this store can make you a link; whoever holds the machine can, with bin/summant person.",
      )}
    >
      <FormField label={say("Name")} value={name} onChange={setName} fills="username" />
      <FormField label={say("Password")} value={password} onChange={setPassword} fills="current-password" />
      {wantsCode && (
        <FormField
          label={say("Code of the second factor")}
          value={code}
          onChange={setCode}
          fills="one-time-code"
          hint={say("Six digits, from the app for codes on your device")}
        />
      )}
    </SignInForm>
  );
}

import { useState } from "react";
import { FormField } from "../fields/form-field.tsx";
import { say } from "../language/say.ts";
import { ApiError, problemWords } from "../state/api.ts";
import { peopleApi } from "../state/people-api.ts";
import { goOn } from "./go-on.ts";

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
    <form
      aria-label={say("Sign in")}
      className="mt-5 grid gap-4"
      onSubmit={(event) => {
        event.preventDefault();
        void send();
      }}
    >
      <h1 className="text-[20px] font-bold">{say("Sign in")}</h1>
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
      {problem && (
        <p role="alert" className="text-warning">
          {problem}
        </p>
      )}
      <div>
        <button type="submit" className="btn btn-neutral" disabled={isBusy}>
          {say("Sign in")}
        </button>
      </div>
      <p className="text-[13px] text-quiet">
        {say(
          "Password lost? Whoever runs this store can make you a link; whoever holds the machine can, with bin/summant person.",
        )}
      </p>
    </form>
  );
}

import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { renderSVG } from "uqr";
import { FormField } from "../../fields/form-field.tsx";
import { say } from "../../language/say.ts";
import { errorWords } from "../../state/api.ts";
import { peopleApi } from "../../state/people-api.ts";
import { problemAt, problemElsewhere, useAccountChange } from "../../state/use-account-change.ts";
import { CurrentPassword } from "./current-password.tsx";

type Props = { isOn: boolean; hasPassword: boolean };

/** A code by time beside the password: whoever learns the password has not got the device. */
export function SecondFactor({ isOn, hasPassword }: Props) {
  const beginning = useMutation({ mutationFn: peopleApi.beginFactor });
  return (
    <section aria-label={say("Second factor")} className="border border-base-300 bg-base-100 p-4">
      <h2 className="mb-2 font-semibold">{say("Second factor")}</h2>
      {isOn ? (
        <SwitchOff />
      ) : beginning.data ? (
        <SwitchOn {...beginning.data} />
      ) : (
        <>
          <p className="mb-3 text-quiet">
            {say(
              "A code that changes every half minute, from an app on a device of yours, is asked for beside the password.",
            )}
          </p>
          <button
            type="button"
            className="btn btn-sm"
            disabled={beginning.isPending || !hasPassword}
            onClick={() => beginning.mutate()}
          >
            {say("Set it up")}
          </button>
          {!hasPassword && <p className="mt-2 text-[13px] text-quiet">{say("Set a password first.")}</p>}
          {beginning.error && (
            <p role="alert" className="mt-2 text-warning">
              {errorWords(beginning.error)}
            </p>
          )}
        </>
      )}
    </section>
  );
}

type OnProps = { secret: string; address: string };

function SwitchOn({ secret, address }: OnProps) {
  const [code, setCode] = useState("");
  const [current, setCurrent] = useState("");
  const changing = useAccountChange();
  return (
    <form
      className="grid gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        changing.mutate({ do: "factor-on", secret, code, current });
      }}
    >
      <p>{say("Read this with the app for codes on your device, or type the letters under it there.")}</p>
      <img
        className="size-44 bg-white p-2"
        alt={say("A picture for the app for codes to read")}
        src={`data:image/svg+xml,${encodeURIComponent(renderSVG(address))}`}
      />
      <code className="text-[13px] break-all">{secret.match(/.{1,4}/g)?.join(" ")}</code>
      <FormField
        label={say("The code that it shows now")}
        value={code}
        onChange={setCode}
        fills="one-time-code"
        problem={problemAt(changing.error, "code")}
      />
      <CurrentPassword value={current} onChange={setCurrent} error={changing.error} />
      <Done words={say("Switch it on")} isPending={changing.isPending} error={changing.error} />
    </form>
  );
}

function SwitchOff() {
  const [current, setCurrent] = useState("");
  const changing = useAccountChange();
  return (
    <form
      className="grid gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        changing.mutate({ do: "factor-off", current });
      }}
    >
      <p>
        {say(
          "It is on: signing in asks for a code. Lost the device? Whoever runs this store can switch it off for you.",
        )}
      </p>
      <CurrentPassword value={current} onChange={setCurrent} error={changing.error} />
      <Done words={say("Switch it off")} isPending={changing.isPending} error={changing.error} />
    </form>
  );
}

const Done = ({ words, isPending, error }: { words: string; isPending: boolean; error: Error | null }) => (
  <>
    <div>
      <button type="submit" className="btn btn-sm" disabled={isPending}>
        {words}
      </button>
    </div>
    {problemElsewhere(error) && (
      <p role="alert" className="text-warning">
        {problemElsewhere(error)}
      </p>
    )}
  </>
);

import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { FormField } from "../../fields/form-field.tsx";
import { parseList } from "../../fields/parse-list.ts";
import { TypedField } from "../../fields/typed-field.tsx";
import { say } from "../../language/say.ts";
import { problemWords } from "../../state/api.ts";
import { BY_SETTINGS, peopleApi } from "../../state/people-api.ts";

type Props = { hosts: readonly string[]; isFixed: boolean; onHosts: (hosts: string[]) => void };

const IS_HOST = /^[A-Za-z0-9._:/-]{1,253}$/;
const MOST = 100;

/** What is wrong with a text as a list of hosts, or null. */
function hostsProblem(text: string): string | null {
  const hosts = parseList(text);
  const wrong = hosts.find((host) => !IS_HOST.test(host) || host.includes("//"));
  if (wrong !== undefined) return say("“{wrong}” is no name of a host and no address", { wrong });
  return hosts.length > MOST ? say("At most {most} hosts", { most: MOST }) : null;
}

/** The hosts that the server may call, and a way to try one. */
export function OutgoingHosts({ hosts, isFixed, onHosts }: Props) {
  return (
    <div className="grid gap-3">
      {isFixed ? (
        <p>{hosts.length === 0 ? say("The server calls nobody.") : hosts.join(", ")}</p>
      ) : (
        <TypedField
          label={say("Hosts that the server may call, with commas between")}
          className="w-full max-w-xl"
          placeholder="10.0.0.7, 10.0.0.0/8"
          value={hosts.join(", ")}
          problemOf={hostsProblem}
          onCommit={(text) => onHosts(parseList(text))}
        />
      )}
      <p className="text-[13px] text-quiet">
        {say(
          "Nobody else is called, whatever a plan says. Addresses of private networks have to stand here themselves, as 10.0.0.7 or 10.0.0.0/8.",
        )}
      </p>
      {!isFixed && hosts.length > 0 && <TryIt />}
    </div>
  );
}

/** Whether an address is reached, before anything depends on it. */
function TryIt() {
  const [address, setAddress] = useState("https://");
  const trying = useMutation({ mutationFn: peopleApi.callOut, scope: BY_SETTINGS });
  return (
    <form
      aria-label={say("Try an address")}
      className="flex flex-wrap items-end gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        trying.mutate(address.trim());
      }}
    >
      <FormField label={say("Address to try")} value={address} onChange={setAddress} fills="off" />
      <button type="submit" className="btn btn-sm" disabled={trying.isPending}>
        {say("Try it")}
      </button>
      <span role="status" className="w-full text-[13px] text-quiet">
        {trying.data && say("It answered with {status} and {bytes} bytes.", trying.data)}
        {trying.error && <span className="text-warning">{problemWords(trying.error)}</span>}
      </span>
    </form>
  );
}

import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import type { ShopperData } from "../../../server/shoppers/shopper-data.ts";
import { downloadText } from "../../fields/download-text.ts";
import { FormField } from "../../fields/form-field.tsx";
import { say } from "../../language/say.ts";
import { problemWords } from "../../state/api.ts";
import { peopleApi } from "../../state/people-api.ts";

/** What is kept of one shopper: looked at, taken along as a file, erased, which is asked for twice. */
export function OneShopper() {
  const [reference, setReference] = useState("");
  const looking = useMutation({ mutationFn: peopleApi.exportShopper });
  const erasing = useMutation({ mutationFn: peopleApi.eraseShopper, onSuccess: () => looking.reset() });
  const error = looking.error ?? erasing.error;
  return (
    <div className="mt-4 grid gap-3 border-t border-base-300 pt-3">
      <form
        aria-label={say("One shopper")}
        className="flex flex-wrap items-end gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          erasing.reset();
          looking.mutate(reference.trim());
        }}
      >
        <FormField
          label={say("Reference of one shopper, as the shop has it")}
          value={reference}
          onChange={setReference}
          fills="off"
        />
        <button type="submit" className="btn btn-sm" disabled={looking.isPending || reference.trim() === ""}>
          {say("Show what is kept")}
        </button>
      </form>
      {looking.data && (
        <Kept data={looking.data} isBusy={erasing.isPending} onErase={(shopper) => erasing.mutate(shopper)} />
      )}
      <span role="status" className="text-[13px] text-quiet">
        {erasing.data &&
          say("Erased: {claims, plural, one {one claim stands} other {# claims stand}} without the reference now.", {
            claims: erasing.data.claims,
          })}
      </span>
      {error && (
        <p role="alert" className="text-warning">
          {say("Not done: {problem}.", { problem: problemWords(error) })}
        </p>
      )}
    </div>
  );
}

type KeptProps = { data: ShopperData; isBusy: boolean; onErase: (shopper: string) => void };

function Kept({ data, isBusy, onErase }: KeptProps) {
  const [isAsking, setIsAsking] = useState(false);
  const { shopper, claims } = data;
  return (
    <div className="grid gap-2">
      <p>
        {say("Of {shopper}: {claims, plural, =0 {no claims} one {one claim} other {# claims}}.", {
          shopper,
          claims: claims.length,
        })}
      </p>
      <div className="flex flex-wrap items-center gap-2">
        <button
          type="button"
          className="btn btn-sm"
          onClick={() => downloadText(JSON.stringify(data, null, 2), "application/json", "shopper.json")}
        >
          {say("Save it as a file")}
        </button>
        {isAsking ? (
          <>
            {say("Limits per shopper begin anew for {shopper}.", { shopper })}
            <button type="button" className="btn btn-sm" disabled={isBusy} onClick={() => onErase(shopper)}>
              {say("Erase {shopper}", { shopper })}
            </button>
            <button type="button" className="btn btn-ghost btn-sm" onClick={() => setIsAsking(false)}>
              {say("Leave it")}
            </button>
          </>
        ) : (
          <button type="button" className="btn btn-sm" onClick={() => setIsAsking(true)}>
            {say("Erase…")}
          </button>
        )}
      </div>
    </div>
  );
}

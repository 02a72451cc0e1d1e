import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { type Phrase, phrase } from "../../../core/phrases/phrase.ts";
import type { Settings } from "../../../server/settings/settings-schema.ts";
import { CheckField } from "../../fields/check-field.tsx";
import { Loading } from "../../fields/loading.tsx";
import { NotLoaded } from "../../fields/not-loaded.tsx";
import { SectionHeading } from "../../fields/section-heading.tsx";
import { SelectField } from "../../fields/select-field.tsx";
import { say } from "../../language/say.ts";
import { problemWords } from "../../state/api.ts";
import { BY_SETTINGS, ownAccount, peopleApi, storeSettings } from "../../state/people-api.ts";
import { DaysField } from "./days-field.tsx";
import { OneShopper } from "./one-shopper.tsx";
import { OutgoingHosts } from "./outgoing-hosts.tsx";

const WHO: Readonly<Record<Settings["secondFactor"], Phrase>> = {
  "by-choice": phrase("whoever switches one on"),
  run: phrase("who runs this store, and whoever switches one on"),
  everyone: phrase("everybody"),
};

/** What holds for the store beside its plan. */
export function SettingsView() {
  const settings = useQuery(storeSettings);
  const own = useQuery(ownAccount);
  const client = useQueryClient();
  const saving = useMutation({
    mutationFn: peopleApi.saveSettings,
    scope: BY_SETTINGS,
    onSuccess: (saved) => client.setQueryData(storeSettings.queryKey, saved),
    onSettled: (_saved, _error, sent) => {
      setChosen((now) => (now === sent ? null : now));
      return client.invalidateQueries(ownAccount);
    },
  });
  // As it is to be, while it is on its way: from the very press on, or a tick would vanish for a moment.
  const [chosen, setChosen] = useState<Settings | null>(null);
  const shown = chosen ?? settings.data;
  const save = (next: Settings) => {
    setChosen(next);
    saving.mutate(next);
  };
  const mayChange = own.data?.person.role === "run";
  return (
    <div className="mx-auto grid max-w-[900px] gap-4">
      <SectionHeading className="text-[20px] font-bold">{say("Settings")}</SectionHeading>
      {own.data && !mayChange && <p className="text-quiet">{say("Whoever runs this store changes them.")}</p>}
      <NotLoaded error={settings.error} />
      {settings.isPending && <Loading />}
      {shown && (
        <SettingFields settings={shown} isFixed={!mayChange} onChange={(change) => save({ ...shown, ...change })} />
      )}
      <p role="status" className="min-h-5 text-[13px] text-quiet">
        {saving.isSuccess && say("Kept.")}
      </p>
      {saving.error && (
        <p role="alert" className="text-warning">
          {say("Not done: {problem}.", { problem: problemWords(saving.error) })}
        </p>
      )}
    </div>
  );
}

type FieldsProps = { settings: Settings; isFixed: boolean; onChange: (change: Partial<Settings>) => void };

const SettingFields = ({ settings, isFixed, onChange }: FieldsProps) => (
  <>
    <Part name={say("Signing in")}>
      <SelectField
        label={say("A code beside the password is asked of")}
        value={settings.secondFactor}
        choices={WHO}
        disabled={isFixed}
        onCommit={(secondFactor) => onChange({ secondFactor })}
      />
    </Part>
    <Part name={say("Releases")}>
      <CheckField
        label={say("A release takes two people: one asks for it, another makes it")}
        checked={settings.secondPerson}
        disabled={isFixed}
        onCommit={(secondPerson) => onChange({ secondPerson })}
      />
      <p className="mt-1 text-[13px] text-quiet">
        {say("Switching an offer off at once, and calling a release off, waits for nobody.")}
      </p>
    </Part>
    <Part name={say("Shoppers")}>
      <DaysField
        days={settings.shoppersKeptDays}
        isFixed={isFixed}
        onDays={(shoppersKeptDays) => onChange({ shoppersKeptDays })}
      />
      {!isFixed && <OneShopper />}
    </Part>
    <Part name={say("Calls to other servers")}>
      <OutgoingHosts hosts={settings.outgoing} isFixed={isFixed} onHosts={(outgoing) => onChange({ outgoing })} />
    </Part>
  </>
);

const Part = ({ name, children }: { name: string; children: React.ReactNode }) => (
  <section aria-label={name} className="border border-base-300 bg-base-100 p-4">
    <h2 className="mb-2 font-semibold">{name}</h2>
    {children}
  </section>
);

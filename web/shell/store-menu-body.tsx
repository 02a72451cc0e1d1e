import { useMutation, useQuery } from "@tanstack/react-query";
import { Link } from "wouter";
import { type Phrase, phrase } from "../../core/phrases/phrase.ts";
import { CheckField } from "../fields/check-field.tsx";
import { Loading } from "../fields/loading.tsx";
import { RadioField } from "../fields/radio-field.tsx";
import { chooseLanguage, chosenLanguage, LANGUAGES, type Language } from "../language/choose.ts";
import { say } from "../language/say.ts";
import { ROLE_WORDS } from "../names/role-words.ts";
import { MENU_SECTIONS } from "../names/sections.ts";
import { ownAccount, peopleApi } from "../state/people-api.ts";
import type { Theme } from "../state/theme.ts";
import { SHORTCUTS } from "./shortcuts.ts";

const THEMES: readonly { theme: Theme; words: Phrase }[] = [
  { theme: "system", words: phrase("as this computer has it") },
  { theme: "light", words: phrase("light") },
  { theme: "dark", words: phrase("dark") },
];
const languages: readonly Language[] = ["en", "pt"];

/** For whoever may only look, what only who runs the store can open is left out. */
const ONLY_RUN: readonly string[] = ["people", "keys"];

type Props = {
  theme: Theme;
  onTheme: (theme: Theme) => void;
  singleKeys: boolean;
  onSingleKeys: (isOn: boolean) => void;
};

export function StoreMenuBody({ theme, onTheme, singleKeys, onSingleKeys }: Props) {
  const language = chosenLanguage();
  return (
    <>
      <SignedIn />
      <fieldset className="mb-4 grid gap-1.5 text-[14px]">
        <legend className="mb-1 font-semibold">{say("How it looks")}</legend>
        {THEMES.map(({ theme: one, words }) => (
          <RadioField key={one} name="theme" label={say(words)} checked={theme === one} onChoose={() => onTheme(one)} />
        ))}
      </fieldset>
      <fieldset className="mb-4 grid gap-1.5 text-[14px]">
        <legend className="mb-1 font-semibold">{say("Language of this app")}</legend>
        {languages.map((one) => (
          <span key={one} lang={one}>
            <RadioField
              name="language"
              label={LANGUAGES[one]}
              checked={language === one}
              onChoose={() => chooseLanguage(one)}
            />
          </span>
        ))}
      </fieldset>
      <h2 className="mb-1 text-[14px] font-semibold">{say("Keyboard")}</h2>
      <dl className="grid gap-1.5 text-[13px]">
        {SHORTCUTS.map(({ keys, does }) => (
          <div key={does.message} className="grid grid-cols-[7.5rem_1fr] items-baseline gap-2">
            <dt className="flex flex-wrap gap-1">
              {keys.map((key) => (
                <kbd key={key} className="kbd kbd-xs">
                  {key}
                </kbd>
              ))}
            </dt>
            <dd>{say(does)}</dd>
          </div>
        ))}
      </dl>
      <CheckField
        className="mt-3 text-[13px]"
        label={say("Single keys do something")}
        checked={singleKeys}
        onCommit={onSingleKeys}
      />
    </>
  );
}

/** Who is signed in, where else to go, and the way out. */
function SignedIn() {
  const { data, isPending } = useQuery(ownAccount);
  const leaving = useMutation({
    mutationFn: () => peopleApi.changeAccount({ do: "sign-out" }),
    onSuccess: () => window.location.assign("/sign-in"),
  });
  const role = data?.person.role;
  const close = () => document.querySelector<HTMLElement>("dialog:popover-open")?.hidePopover();
  // What a role opens does not come in between under somebody's fingers.
  if (isPending) return <Loading />;
  return (
    <div className="mb-4 grid gap-2 text-[14px]">
      {data && <p>{say("{name}, may {role}", { name: data.person.name, role: ROLE_WORDS[data.person.role] })}</p>}
      <ul className="grid gap-1.5">
        {MENU_SECTIONS.filter(({ id }) => role === "run" || !ONLY_RUN.includes(id)).map(({ id, name }) => (
          <li key={id}>
            <Link className="link" href={`/${id}`} onClick={close}>
              {say(name)}
            </Link>
          </li>
        ))}
      </ul>
      <div>
        <button type="button" className="btn btn-sm" disabled={leaving.isPending} onClick={() => leaving.mutate()}>
          {say("Sign out")}
        </button>
      </div>
    </div>
  );
}

import { useEffect, useRef } from "react";
import { type Phrase, phrase } from "../../core/phrases/phrase.ts";
import { CheckField } from "../fields/check-field.tsx";
import { Popover } from "../fields/popover.tsx";
import { RadioField } from "../fields/radio-field.tsx";
import { chooseLanguage, chosenLanguage, LANGUAGES, type Language } from "../language/choose.ts";
import { say } from "../language/say.ts";
import { type Theme, useTheme } from "../state/theme.ts";
import { useStored } from "../state/use-stored.ts";
import { SHORTCUTS } from "./shortcuts.ts";

const THEMES: readonly { theme: Theme; words: Phrase }[] = [
  { theme: "system", words: phrase("as this computer has it") },
  { theme: "light", words: phrase("light") },
  { theme: "dark", words: phrase("dark") },
];
const languages: readonly Language[] = ["en", "pt"];
const isBoolean = (value: unknown): value is boolean => typeof value === "boolean";

/** What is not daily work, under the store's name: how it looks, what it speaks, and what keys do. */
export function StoreMenu({ name }: { name: string }) {
  const [theme, setTheme] = useTheme();
  const [isOn, setIsOn] = useStored("summant.single-keys", true, isBoolean);
  const language = chosenLanguage();
  const menu = useRef<HTMLSpanElement>(null);
  useEffect(() => {
    if (!isOn) return undefined;
    const onKey = ({ key, target, ctrlKey, metaKey, altKey }: KeyboardEvent) => {
      const types = target instanceof HTMLElement && target.matches("input, textarea, select, [contenteditable=true]");
      if (key === "?" && !types && !ctrlKey && !metaKey && !altKey) menu.current?.querySelector("button")?.click();
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, [isOn]);
  return (
    <span ref={menu} className="text-[13px]">
      <Popover label={say("Menu")} shown={name} isQuiet>
        <fieldset className="mb-4 grid gap-1.5 text-[14px]">
          <legend className="mb-1 font-semibold">{say("How it looks")}</legend>
          {THEMES.map(({ theme: one, words }) => (
            <RadioField
              key={one}
              name="theme"
              label={say(words)}
              checked={theme === one}
              onChoose={() => setTheme(one)}
            />
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
        <h2 className="mb-1 text-[14px] font-semibold">{say("Keys")}</h2>
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
          checked={isOn}
          onCommit={setIsOn}
        />
      </Popover>
    </span>
  );
}

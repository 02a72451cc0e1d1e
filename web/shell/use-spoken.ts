import { useEffect, useState } from "react";
import { chosenLanguage, speakLanguage } from "../language/choose.ts";

/** Whether the app speaks the chosen language already; English it does from the start. */
export function useSpoken(): boolean {
  const [language] = useState(chosenLanguage);
  const [isSpoken, setIsSpoken] = useState(language === "en");
  useEffect(() => {
    void speakLanguage(language).then(() => setIsSpoken(true));
  }, [language]);
  return isSpoken;
}

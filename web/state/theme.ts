import { useEffect } from "react";
import { useStored } from "./use-stored.ts";

/** As the system has it, or always one of the two. */
export type Theme = "system" | "light" | "dark";

const KEY = "summant.theme";
const NAMES = { light: "paper", dark: "ink" } as const;
const isTheme = (value: unknown): value is Theme => value === "system" || value === "light" || value === "dark";

function show(theme: Theme): void {
  const { documentElement: page } = document;
  if (theme === "system") page.removeAttribute("data-theme");
  else page.setAttribute("data-theme", NAMES[theme]);
}

/** The theme that was chosen in this browser, shown as long as it is. */
export function useTheme(): [Theme, (theme: Theme) => void] {
  const [theme, setTheme] = useStored<Theme>(KEY, "system", isTheme);
  useEffect(() => show(theme), [theme]);
  return [theme, setTheme];
}

import { lazy, Suspense, useEffect, useRef } from "react";
import { Loading } from "../fields/loading.tsx";
import { Popover } from "../fields/popover.tsx";
import { say } from "../language/say.ts";
import { useTheme } from "../state/theme.ts";
import { useStored } from "../state/use-stored.ts";

const StoreMenuBody = lazy(() => import("./store-menu-body.tsx").then((module) => ({ default: module.StoreMenuBody })));

const isBoolean = (value: unknown): value is boolean => typeof value === "boolean";

/** What is not daily work, under the store's name: who is signed in, people, keys, the log, how it looks, and what keys do. */
export function StoreMenu({ name }: { name: string }) {
  const [isOn, setIsOn] = useStored("summant.single-keys", true, isBoolean);
  // Here, not where it is chosen: it is shown from the start.
  const [theme, onTheme] = useTheme();
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
        <Suspense fallback={<Loading />}>
          <StoreMenuBody theme={theme} onTheme={onTheme} singleKeys={isOn} onSingleKeys={setIsOn} />
        </Suspense>
      </Popover>
    </span>
  );
}

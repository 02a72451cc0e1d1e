/** The bodies of an entity before and after a change; undefined where it was as the server has it, null where it is gone. */
type Changed = { readonly key: string; readonly was: unknown; readonly now: unknown };

/** What a control of the page did. */
export type Poked = { readonly name: string; readonly changed: readonly Changed[] };

/**
 * Runs in the page: changes whatever can be changed on it, one control after the other, takes each change back, and tells what
 * the draft would have been. Saving has to be out of reach, so that edits stay where the page keeps those that wait.
 *
 * @param tried names of controls, with what they stand in, that need not be tried again
 */
export async function pokeControls(tried: readonly string[]): Promise<Poked[]> {
  const CONTROLS = "main input, main select, main textarea, main button, main [role=slider]";
  const TEXTS = [
    "7",
    "2.5",
    "12",
    "zz",
    "ES",
    "USD",
    "de",
    "08:15",
    "23:45",
    "2026-12-24",
    "Europe/Madrid",
    "PT-30",
    "DE-BE",
    "/more",
    "40.1, -8.2",
    "#123456",
    "{price}",
    "{when}",
    "{what}",
    "{place}",
    "{tax}",
    "{code}",
  ];
  const wait = (ms = 0) => new Promise((resolve) => setTimeout(resolve, ms));
  const undo = () => [...document.querySelectorAll("button")].find(({ title }) => title.startsWith("Undo"));

  const wordsOf = (element: Element | null): string => {
    const labelled = element?.getAttribute("aria-label");
    if (!element || labelled) return labelled ?? "";
    if (element.matches("fieldset, section")) return element.querySelector("legend, h2, h3")?.textContent ?? "";
    if (element.matches("tr")) return element.querySelector("th")?.textContent ?? "";
    const label = element.id ? document.querySelector(`label[for="${element.id}"]`) : null;
    return (label ?? element.closest("label") ?? element).textContent?.slice(0, 60) ?? "";
  };
  const ofRow = (control: HTMLElement) => [...(control.closest("tr")?.querySelectorAll<HTMLElement>("button") ?? [])];
  /** Not what is part of the page alone, nor more than the ends of a row of amounts or texts. */
  const usable = (control: HTMLElement) => {
    // Sections that were looked at before stay on the page, out of sight.
    if (!control.checkVisibility()) return false;
    if (control.matches("[disabled], [type=file], [type=search], [type=radio]")) return false;
    // Of many that are ticked alike, three.
    if (control.matches("fieldset [type=checkbox]"))
      return [...(control.closest("fieldset")?.querySelectorAll("[type=checkbox]") ?? [])].indexOf(control) < 3;
    if (!control.matches("button")) return true;
    const row = ofRow(control);
    return (
      /Change$|^Move .* (up|down)|^Switch|^Add all of|^Add the rest|^convert /.test(wordsOf(control).trim()) &&
      [-1, 0, row.length - 1].includes(row.indexOf(control))
    );
  };
  const controls = () => [...document.querySelectorAll<HTMLElement>(CONTROLS)].filter(usable);
  /** The kinds that are chosen beside a control and around it, two at most. */
  const kindOf = (control: HTMLElement): string => {
    const kinds: HTMLSelectElement[] = [];
    let around = control.parentElement;
    while (around && !around.matches("section, main") && kinds.length < 2) {
      const kind = [...around.querySelectorAll("select")].find(
        (select) => select !== control && !wordsOf(select).startsWith("Unit of"),
      );
      if (kind && !kinds.includes(kind)) kinds.push(kind);
      around = around.parentElement;
    }
    return kinds.map(({ options, value }) => (options.length <= 12 ? value : "")).join(" | ");
  };
  /** What a control is called, and what it stands in; figures tell nothing apart. */
  const nameOf = (control: HTMLElement) =>
    [
      control,
      control.closest("tr"),
      control.closest("fieldset, table"),
      control.closest("details")?.querySelector("summary"),
    ]
      .map((element) => wordsOf(element ?? null).replaceAll(/[\d.,]+/g, "#"))
      .concat(kindOf(control))
      .join(" | ");

  const edits = (): Map<string, string> => {
    const kept: { change: { kind: string; id: string; body: unknown } }[] = JSON.parse(
      localStorage.getItem("summant.unsaved") ?? "[]",
    );
    return new Map(kept.map(({ change }) => [`${change.kind}/${change.id}`, JSON.stringify(change.body)]));
  };
  let before = edits();
  const changed = () => [...edits()].filter(([key, body]) => before.get(key) !== body);

  const set = (control: HTMLElement, text: string, event: string) => {
    const prototype = Object.getPrototypeOf(control);
    Object.getOwnPropertyDescriptor(prototype, "value")?.set?.call(control, text);
    control.dispatchEvent(new Event(event, { bubbles: true }));
  };
  const key = (control: Element, name: string, ctrlKey = false) =>
    control.dispatchEvent(
      new KeyboardEvent("keydown", { key: name, ctrlKey, bubbles: true, composed: true, cancelable: true }),
    );
  const type = async (control: HTMLElement, text: string) => {
    set(control, text, "input");
    await wait();
    key(control, "Enter");
    await wait();
  };
  const press = async (button: HTMLElement) => {
    button.click();
    await wait();
    // One that turns into a field is typed into.
    const field = document.activeElement;
    if (field instanceof HTMLInputElement && !button.isConnected) {
      await type(field, "7");
      // The button takes the focus back when it has been drawn again.
      await new Promise(requestAnimationFrame);
      await wait();
    }
    const text = field?.shadowRoot?.activeElement;
    if (!text) return;
    document.execCommand("selectAll");
    document.execCommand("insertText", false, "zz");
    await wait();
    key(text, "Enter", true);
    await wait();
  };
  const waysOf = (control: HTMLElement): (() => Promise<void> | void)[] => {
    if (control instanceof HTMLSelectElement)
      return (
        [...control.options]
          .filter(({ value, disabled }) => value !== control.value && !disabled)
          // To choose nothing takes away what depends on it.
          .sort((a, b) => Number(a.value === "") - Number(b.value === ""))
          .slice(0, 4)
          .map(
            ({ value }) =>
              () =>
                set(control, value, "change"),
          )
      );
    if (control instanceof HTMLInputElement && ["checkbox", "radio"].includes(control.type))
      // What is drawn from it is drawn before the next one is tried.
      return [
        () => {
          control.click();
          return new Promise<void>((drawn) => requestAnimationFrame(() => drawn()));
        },
      ];
    if (control instanceof HTMLInputElement || control instanceof HTMLTextAreaElement)
      return [...TEXTS.map((text) => () => type(control, text)), () => void key(control, "Escape")];
    if (control.getAttribute("role") === "slider") return [() => void key(control, "ArrowRight")];
    return [() => press(control)];
  };

  for (const details of document.querySelectorAll("main details")) details.setAttribute("open", "");
  await wait(50);
  const found: Poked[] = [];
  const done = new Set(tried);
  const address = location.href;
  const most = controls().length * 2;
  const idle = new Set<string>();
  const tryAll = async () => {
    // What is chosen can bring up more controls.
    for (let i = 0; i < Math.min(most, controls().length); i += 1) {
      const control = controls()[i];
      if (control) await poke(control);
    }
  };
  const poke = async (control: HTMLElement) => {
    const name = nameOf(control);
    if (done.has(name)) return;
    done.add(name);
    for (const way of waysOf(control)) {
      if (!control.isConnected) break;
      await way();
      await wait();
      if (changed().length > 0) break;
    }
    const read = (text: string | undefined) => (text === undefined ? undefined : JSON.parse(text));
    const pairs = changed().map(([at, now]) => ({ key: at, was: read(before.get(at)), now: read(now) }));
    found.push({ name, changed: pairs });
    // What it brings up may have to be looked up first.
    if (pairs.length === 0 && control.matches("select")) {
      idle.add(name);
      await wait(200);
    }
    // Where there would be other controls now, the change is taken back.
    if (!control.matches("input, textarea")) {
      undo()?.click();
      await wait();
    }
    before = edits();
    if (location.href !== address) {
      history.replaceState(null, "", address);
      await wait(30);
    }
  };
  await tryAll();
  // What was brought up may have gone with the first of it that was tried: brought up anew for the others.
  for (const name of idle) done.delete(name);
  await tryAll();
  return found;
}

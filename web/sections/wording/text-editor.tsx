import { defaultKeymap, history, historyKeymap } from "@codemirror/commands";
import { EditorState } from "@codemirror/state";
import { EditorView, keymap } from "@codemirror/view";
import { useEffect, useRef, useState } from "react";
import { say } from "../../language/say.ts";
import { chipAt, chipsIn } from "./chips.ts";
import { placeholderChips } from "./placeholder-chips.ts";

type Props = {
  label: string;
  text: string;
  locale: string;
  /** Placeholders that may be put in here. */
  placeholders: readonly string[];
  /** What is wrong with a text, or null. */
  validate: (text: string) => string | null;
  /** Things worth saying about a text that is not wrong. */
  hints: (text: string) => readonly string[];
  onText: (text: string) => void;
  onClose: () => void;
};

/** One text, its placeholders as chips. Kept when it is left or Ctrl+Enter is pressed; what is wrong stays, and says why. */
export default function TextEditor({ label, text, locale, placeholders, validate, hints, onText, onClose }: Props) {
  const host = useRef<HTMLDivElement>(null);
  const view = useRef<EditorView | null>(null);
  const [typed, setTyped] = useState(text);
  const problem = typed === "" ? null : validate(typed);
  const latest = useRef({ validate, onText, onClose, text });
  latest.current = { validate, onText, onClose, text };
  /** Keeps what is there now, also before it has been drawn; what is wrong stays open. */
  const keep = (typedNow: string) => {
    const now = latest.current;
    if (typedNow !== "" && now.validate(typedNow) !== null) return;
    if (typedNow.trim() !== now.text) now.onText(typedNow.trim());
    now.onClose();
  };
  const keepNow = useRef(keep);

  const allowed = useRef(placeholders);
  useEffect(() => {
    if (!host.current) return;
    // In a shadow tree the editor's styles come as adopted sheets, which the content security policy lets in.
    const root = host.current.shadowRoot ?? host.current.attachShadow({ mode: "open" });
    const editor = new EditorView({
      parent: root,
      root,
      state: EditorState.create({
        doc: latest.current.text,
        extensions: [
          history(),
          keymap.of([
            {
              key: "Mod-Enter",
              run: ({ state }) => {
                keepNow.current(state.doc.toString());
                return true;
              },
            },
            {
              key: "Escape",
              run: () => {
                latest.current.onClose();
                return true;
              },
            },
            ...defaultKeymap,
            ...historyKeymap,
          ]),
          placeholderChips(allowed.current),
          EditorView.lineWrapping,
          EditorView.contentAttributes.of({ "aria-label": label, lang: locale, dir: "auto" }),
          EditorView.updateListener.of((update) => update.docChanged && setTyped(update.state.doc.toString())),
        ],
      }),
    });
    view.current = editor;
    editor.focus();
    return () => editor.destroy();
  }, [label, locale]);

  const insert = (name: string) => {
    const editor = view.current;
    if (!editor) return;
    editor.dispatch(editor.state.replaceSelection(`{${name}}`));
    editor.focus();
  };
  return (
    <fieldset
      className="min-w-0 text-[14px]"
      onBlur={(event) => {
        if (event.currentTarget.contains(event.relatedTarget)) return;
        keep(view.current?.state.doc.toString() ?? typed);
      }}
    >
      <div ref={host} className={`border-b-2 bg-base-100 ${problem ? "border-warning" : "border-primary"}`} />
      <div className="mt-1 flex flex-wrap items-center gap-1 text-[13px]">
        {placeholders.map((name) => (
          <button key={name} type="button" className="btn btn-ghost btn-xs font-normal" onClick={() => insert(name)}>
            + {name}
          </button>
        ))}
        {[...new Set(chipsIn(typed))]
          .filter((name) => chipAt(typed, name))
          .map((name) => (
            <button
              key={say("without {name}", { name })}
              type="button"
              className="btn btn-ghost btn-xs font-normal"
              onClick={() => {
                const chip = chipAt(typed, name);
                if (chip) view.current?.dispatch({ changes: chip });
              }}
            >
              − {name}
            </button>
          ))}
        <button
          type="button"
          className="btn btn-ghost btn-xs font-normal text-warning"
          onClick={() => {
            onText("");
            onClose();
          }}
        >
          {say("Say nothing")}
        </button>
      </div>
      {problem && (
        <p role="alert" className="text-[13px] text-warning">
          {say("Not kept: {problem}. Escape gives the old text back.", { problem })}
        </p>
      )}
      {!problem &&
        hints(typed).map((hint) => (
          <p key={hint} className="text-[13px] text-warning">
            {hint}
          </p>
        ))}
    </fieldset>
  );
}

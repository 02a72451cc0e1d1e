import X from "lucide-react/icons/x";
import { useState } from "react";
import { useShopWords } from "./shop-words.ts";

type Props = { codes: readonly string[]; onCodes: (codes: string[]) => void };

const MOST_CODES = 50;

/** Codes as a shopper enters them and takes them away. */
export function CodeField({ codes, onCodes }: Props) {
  const shopSays = useShopWords();
  const [typed, setTyped] = useState("");
  const enter = () => {
    const code = typed.trim().slice(0, 64);
    setTyped("");
    if (code !== "" && !codes.includes(code) && codes.length < MOST_CODES) onCodes([...codes, code]);
  };
  return (
    <div className="mt-2 flex flex-wrap items-center gap-1.5 text-[13px]">
      {codes.map((code) => (
        <button
          key={code}
          type="button"
          className="btn btn-xs font-normal"
          onClick={() => onCodes(codes.filter((other) => other !== code))}
        >
          {code} <X size={12} aria-hidden />
          <span className="sr-only">{shopSays("dropCode", { code })}</span>
        </button>
      ))}
      <form
        className="flex min-w-0 flex-1 items-center gap-1.5"
        onSubmit={(event) => {
          event.preventDefault();
          enter();
        }}
      >
        <input
          className="input input-xs min-w-20 flex-1"
          aria-label={shopSays("code")}
          placeholder={shopSays("code")}
          value={typed}
          maxLength={64}
          autoComplete="off"
          onChange={(event) => setTyped(event.target.value)}
        />
        <button type="submit" className="btn btn-xs font-normal" disabled={typed.trim() === ""}>
          {shopSays("useCode")}
        </button>
      </form>
    </div>
  );
}

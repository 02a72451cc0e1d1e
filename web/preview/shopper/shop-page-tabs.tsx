import { phrase } from "../../../core/phrases/phrase.ts";
import { say } from "../../language/say.ts";

const PAGES = { banner: phrase("Front"), cart: phrase("Cart"), checkout: phrase("Checkout") } as const;
export type ShopPageName = keyof typeof PAGES;
const PAGE_NAMES: readonly ShopPageName[] = ["banner", "cart", "checkout"];

type Props = { page: ShopPageName; onPage: (page: ShopPageName) => void };

/** Which page of the shop is looked at. */
export function ShopPageTabs({ page, onPage: setPage }: Props) {
  return (
    <div role="tablist" aria-label={say("Page of the shop")} className="flex gap-4">
      {PAGE_NAMES.map((name) => (
        <button
          key={name}
          type="button"
          role="tab"
          id={`tab-${name}`}
          aria-selected={page === name}
          aria-controls="shop-page"
          tabIndex={page === name ? 0 : -1}
          className="cursor-pointer border-b-2 border-transparent pb-1 text-quiet aria-selected:border-neutral aria-selected:font-semibold aria-selected:text-base-content"
          onClick={() => setPage(name)}
          onKeyDown={(event) => {
            if (event.key !== "ArrowLeft" && event.key !== "ArrowRight") return;
            const step = event.key === "ArrowRight" ? 1 : PAGE_NAMES.length - 1;
            const other = PAGE_NAMES[(PAGE_NAMES.indexOf(name) + step) % PAGE_NAMES.length] ?? name;
            setPage(other);
            document.getElementById(`tab-${other}`)?.focus();
          }}
        >
          {say(PAGES[name])}
        </button>
      ))}
    </div>
  );
}

import { useQueryClient } from "@tanstack/react-query";
import type { SampleCart } from "../../../server/catalogue/product.ts";
import { SavedMenu } from "../../fields/saved-menu.tsx";
import { say } from "../../language/say.ts";
import { api } from "../../state/api.ts";
import { CATALOGUE } from "../../state/server-queries.ts";
import type { ShownCart } from "../../state/standpoint.ts";

type Props = { cart: ShownCart; carts: readonly SampleCart[]; onCart: (cart: ShownCart) => void };

/** Keeps the cart on screen as a sample for everybody, under a new name or in place of the one it came from. */
export function SavedCartsMenu({ cart, carts, onCart }: Props) {
  const client = useQueryClient();
  const { sample: _, ...kept } = cart;
  const from = carts.find(({ id }) => id === cart.sample);
  const saved = async (work: Promise<unknown>, sample: string | null) => {
    await work;
    await client.invalidateQueries({ queryKey: CATALOGUE });
    onCart({ ...cart, sample });
  };
  return (
    <SavedMenu
      label={say("Keep this cart")}
      shown={say("keep")}
      side="right"
      keepAs={say("Keep this cart as")}
      saved={carts}
      keep={({ id, name }) => saved(api.keepCart({ ...kept, id, name }), id)}
      forget={(id) => saved(api.dropCart(id), null)}
    >
      {({ keep, forget }) =>
        from && (
          <div className="grid gap-2">
            <button type="button" className="btn btn-sm" onClick={() => keep(from)}>
              {say("Change “{name}” to this", { name: from.name })}
            </button>
            <button type="button" className="btn btn-sm" onClick={() => forget(from.id)}>
              {say("Forget “{name}”", { name: from.name })}
            </button>
          </div>
        )
      }
    </SavedMenu>
  );
}

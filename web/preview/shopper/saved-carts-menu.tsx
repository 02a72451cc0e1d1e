import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { freeId } from "../../../core/schema/positions.ts";
import type { SampleCart } from "../../../server/catalogue/product.ts";
import { SentencePopover } from "../../fields/sentence-popover.tsx";
import { api } from "../../state/api.ts";
import type { ShownCart } from "../../state/standpoint.ts";

type Props = { cart: ShownCart; carts: readonly SampleCart[]; onCart: (cart: ShownCart) => void };

/** Keeps the cart on screen as a sample for everybody, under a new name or in place of the one it came from. */
export function SavedCartsMenu({ cart, carts, onCart }: Props) {
  const client = useQueryClient();
  const [name, setName] = useState("");
  const [problem, setProblem] = useState<string | null>(null);
  const from = carts.find(({ id }) => id === cart.sample);
  const run = async (work: () => Promise<unknown>) => {
    try {
      await work();
      setProblem(null);
      await client.invalidateQueries({ queryKey: ["catalogue"] });
    } catch (error) {
      setProblem(error instanceof Error ? error.message : String(error));
    }
  };
  const keep = (id: string, called: string) =>
    run(async () => {
      await api.keepCart({ id, name: called, lines: cart.lines });
      setName("");
      onCart({ ...cart, sample: id });
    });
  return (
    <SentencePopover label="Keep this cart" shown="keep" side="right">
      <form
        className="grid gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          const called = name.trim();
          if (called !== "")
            void keep(
              freeId(
                called,
                carts.map(({ id }) => id),
              ),
              called,
            );
        }}
      >
        <label className="grid gap-1">
          Keep this cart as
          <input
            className="input input-sm w-full"
            value={name}
            maxLength={100}
            onChange={(event) => setName(event.target.value)}
          />
        </label>
        <button type="submit" className="btn btn-sm btn-neutral" disabled={name.trim() === ""}>
          Keep
        </button>
        {from && (
          <>
            <button type="button" className="btn btn-sm" onClick={() => void keep(from.id, from.name)}>
              Change “{from.name}” to this
            </button>
            <button
              type="button"
              className="btn btn-sm"
              onClick={() => void run(() => api.dropCart(from.id)).then(() => onCart({ ...cart, sample: null }))}
            >
              Forget “{from.name}”
            </button>
          </>
        )}
        {problem && (
          <p role="alert" className="text-warning">
            {problem}
          </p>
        )}
      </form>
    </SentencePopover>
  );
}

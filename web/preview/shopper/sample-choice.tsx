import { useLooked } from "../../state/quote-context.ts";

/** Which of the kept carts is looked at. */
export function SampleChoice() {
  const { cart, carts, setCart } = useLooked();
  return (
    <label className="flex items-center gap-1 text-[13px] text-quiet">
      <span className="sr-only">Sample</span>
      <select
        className="max-w-28 cursor-pointer bg-transparent font-medium text-base-content"
        value={cart.sample ?? ""}
        onChange={(event) => {
          const chosen = carts.find(({ id }) => id === event.target.value);
          if (chosen) setCart({ sample: chosen.id, lines: chosen.lines });
        }}
      >
        {cart.sample === null && <option value="">your own</option>}
        {carts.map(({ id, name }) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </select>
    </label>
  );
}

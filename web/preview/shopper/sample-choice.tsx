import { choicesOf, SelectField } from "../../fields/select-field.tsx";
import { say } from "../../language/say.ts";
import { shownCart, useLooked } from "../../state/quote-context.ts";

/** Which of the kept carts is looked at. */
export function SampleChoice() {
  const { cart, carts, setCart } = useLooked();
  return (
    <SelectField
      label={say("Sample")}
      look="word"
      className="max-w-28 font-medium"
      value={cart.sample ?? ""}
      choices={{ ...(cart.sample === null ? { "": say("your own") } : {}), ...choicesOf(carts, ({ name }) => name) }}
      onCommit={(sample) => {
        const chosen = carts.find(({ id }) => id === sample);
        if (chosen) setCart(shownCart(chosen));
      }}
    />
  );
}

// @vitest-environment jsdom
import { act, cleanup, render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, describe, expect, it } from "vitest";
import { useHeldOrder } from "./use-held-order.ts";

afterEach(cleanup);

function List({ keys }: { keys: readonly string[] }) {
  const { order, holding } = useHeldOrder(keys);
  return (
    <>
      <ul aria-label="held" {...holding}>
        {order.map((key) => (
          <li key={key}>
            <button type="button">{key}</button>
          </li>
        ))}
      </ul>
      <button type="button">elsewhere</button>
    </>
  );
}

const shown = () => screen.getAllByRole("listitem").map((item) => item.textContent);

describe("a list that grows while somebody is at it", () => {
  it("stays where it is under the pointer, with what comes at its end, and is in order once the pointer has left", async () => {
    const user = userEvent.setup();
    const { rerender } = render(<List keys={["c", "e"]} />);
    rerender(<List keys={["b", "c", "e"]} />);
    expect(shown()).toEqual(["b", "c", "e"]);
    await user.hover(screen.getByRole("button", { name: "e" }));
    rerender(<List keys={["a", "b", "c", "e"]} />);
    rerender(<List keys={["a", "b", "c", "d", "e"]} />);
    expect(shown()).toEqual(["b", "c", "e", "a", "d"]);
    // What is no longer there goes.
    rerender(<List keys={["a", "b", "d", "e"]} />);
    expect(shown()).toEqual(["b", "e", "a", "d"]);
    await user.hover(screen.getByRole("button", { name: "elsewhere" }));
    expect(shown()).toEqual(["a", "b", "d", "e"]);
  });

  it("stays for the keyboard too, as long as focus is anywhere in it", async () => {
    const user = userEvent.setup();
    const { rerender } = render(<List keys={["b", "c"]} />);
    await user.tab();
    rerender(<List keys={["a", "b", "c"]} />);
    expect(shown()).toEqual(["b", "c", "a"]);
    await user.tab();
    expect(document.activeElement?.textContent).toBe("c");
    rerender(<List keys={["a", "aa", "b", "c"]} />);
    expect(shown()).toEqual(["b", "c", "a", "aa"]);
    // Where what had it is no longer there, focus has left too.
    rerender(<List keys={["a", "aa", "b"]} />);
    expect(shown()).toEqual(["a", "aa", "b"]);
    act(() => screen.getByRole("button", { name: "b" }).focus());
    rerender(<List keys={["a", "aa", "ab", "b"]} />);
    expect(shown()).toEqual(["a", "aa", "b", "ab"]);
    await user.tab();
    await user.tab();
    expect(document.activeElement?.textContent).toBe("elsewhere");
    expect(shown()).toEqual(["a", "aa", "ab", "b"]);
  });
});

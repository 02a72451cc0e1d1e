import type { SetAside } from "../../server/saved/saved.ts";
import { say } from "../language/say.ts";

/** What was kept and cannot be used any more, with why; it can be forgotten. */
export function SetAsideList({ list, onForget }: { list: readonly SetAside[]; onForget: (id: string) => void }) {
  if (list.length === 0) return null;
  return (
    <ul className="mt-2 text-[13px] text-warning">
      {list.map(({ id, name, why }) => (
        <li key={id}>
          {say("“{name}” is set aside: {why}", { name, why })}{" "}
          <button type="button" className="btn btn-xs" onClick={() => onForget(id)}>
            {say("Forget it")}
          </button>
        </li>
      ))}
    </ul>
  );
}

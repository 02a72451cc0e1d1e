import { useQuery, useQueryClient } from "@tanstack/react-query";
import X from "lucide-react/icons/x";
import { IconButton } from "../fields/icon-button.tsx";
import { SavedMenu } from "../fields/saved-menu.tsx";
import { SetAsideList } from "../fields/set-aside.tsx";
import { say } from "../language/say.ts";
import { api } from "../state/api.ts";
import { keptStandpoints } from "../state/server-queries.ts";
import type { Standpoint } from "../state/standpoint.ts";

type Props = { standpoint: Standpoint; onChange: (standpoint: Standpoint) => void };

/** Standpoints a team comes back to: taken up with one click, kept under a name. */
export function SavedStandpointsMenu({ standpoint, onChange }: Props) {
  const client = useQueryClient();
  const { data } = useQuery(keptStandpoints);
  const kept = data?.standpoints ?? [];
  const saved = async (work: ReturnType<typeof api.standpoints>) =>
    client.setQueryData(keptStandpoints.queryKey, await work);
  return (
    <SavedMenu
      label={say("Kept standpoints")}
      shown={kept.length === 0 ? say("keep") : say("{count} kept", { count: kept.length })}
      keepAs={say("Keep this one as")}
      saved={kept}
      keep={({ id, name }) => saved(api.keepStandpoint({ id, name, body: standpoint }))}
      forget={(id) => saved(api.dropStandpoint(id))}
    >
      {({ forget }) => (
        <>
          <ul className="grid gap-1">
            {kept.map(({ id, name, body }) => (
              <li key={id} className="flex items-center">
                <button type="button" className="link min-w-0 flex-1 truncate text-left" onClick={() => onChange(body)}>
                  {name}
                </button>
                <IconButton words={say("Forget {name}", { name })} onClick={() => forget(id)}>
                  <X size={13} aria-hidden />
                </IconButton>
              </li>
            ))}
          </ul>
          <SetAsideList list={data?.setAside ?? []} onForget={forget} />
        </>
      )}
    </SavedMenu>
  );
}

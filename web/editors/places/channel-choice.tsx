import type { LeafName } from "../../fields/leaf-names.ts";
import { ListField } from "../../fields/list-field.tsx";
import { say } from "../../language/say.ts";
import { useEditing } from "../editing.ts";

type Props = {
  channels: readonly string[] | undefined;
  leaf: LeafName;
  onChannels: (channels: string[] | undefined) => void;
};

/** The channels something is offered on, of those the store has; typing another goes on. */
export function ChannelChoice({ channels, leaf, onChannels }: Props) {
  const { plan } = useEditing();
  return (
    <ListField
      label={say("On the channels (empty: every one)")}
      className="w-56"
      value={channels ?? []}
      leaf={leaf}
      choices={(plan.store.channels ?? []).map(({ id, name }) => ({ value: id, words: name }))}
      placeholder={say("every one")}
      onEmpty={() => onChannels(undefined)}
      onCommit={onChannels}
    />
  );
}

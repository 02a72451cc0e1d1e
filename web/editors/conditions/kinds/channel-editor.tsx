import { ListField } from "../../../fields/list-field.tsx";
import type { ClauseEditorProps, ClauseOf } from "../clause-editor.ts";

/** Where the shopper buys. */
export function ChannelFields({ clause, onClause }: ClauseEditorProps<ClauseOf<"channel">>) {
  return (
    <ListField
      label="Channels"
      value={clause.channels}
      leaf="when/channel/channels"
      onCommit={(channels) => onClause({ ...clause, channels })}
    />
  );
}

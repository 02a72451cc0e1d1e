import type { ClauseEditorProps, ClauseOf } from "../clause-editor.ts";
import { NamesField } from "../names-field.tsx";

/** Where the shopper buys. */
export function ChannelFields({ clause, onClause }: ClauseEditorProps<ClauseOf<"channel">>) {
  return (
    <NamesField label="Channels" list={clause.channels} onList={(channels) => onClause({ ...clause, channels })} />
  );
}

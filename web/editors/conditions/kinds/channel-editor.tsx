import { ListField } from "../../../fields/list-field.tsx";
import { say } from "../../../language/say.ts";
import { asChoices } from "../../../names/code-choices.ts";
import { namesAsked } from "../../../state/known-names.ts";
import type { ClauseEditorProps, ClauseOf } from "../clause-editor.ts";

/** Where the shopper buys. */
export function ChannelFields({ plan, clause, onClause }: ClauseEditorProps<ClauseOf<"channel">>) {
  return (
    <ListField
      label={say("Channels")}
      value={clause.channels}
      leaf="when/channel/channels"
      choices={asChoices(namesAsked(plan).channels)}
      onCommit={(channels) => onClause({ ...clause, channels })}
    />
  );
}

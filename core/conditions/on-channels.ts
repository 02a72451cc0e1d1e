import { Tag } from "../schema/atoms.ts";
import { Type } from "../schema/type.ts";
import type { Condition } from "./condition.ts";

/** The channels that something is offered on; on every one unless given. */
export const OnChannels = Type.Array(Tag, {
  minItems: 1,
  maxItems: 50,
  uniqueItems: true,
  description: "Channels it is offered on; on every one unless given",
});

type Offered = { readonly channels?: readonly string[]; readonly when?: Condition };

/**
 * Everything that has to hold for something to be offered: its own condition, and that it is one of its channels.
 *
 * @example askedOf({ channels: ["app"] }) // { kind: "channel", channels: ["app"] }
 */
export function askedOf({ channels, when }: Offered): Condition | undefined {
  if (!channels) return when;
  const on: Condition = { kind: "channel", channels: [...channels] };
  return when ? { kind: "all", of: [on, when] } : on;
}

/** Whether something is offered on a channel, whatever else is asked. */
export const isOn = ({ channels }: Pick<Offered, "channels">, channel: string): boolean =>
  channels?.includes(channel) ?? true;

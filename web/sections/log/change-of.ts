import type { Change, EntityKind } from "../../../core/plan/entities.ts";
import { isRecord } from "../../../core/schema/is-record.ts";

/** The server checks what it is sent; here a thing is only told from what is none. */
const isChange = (value: { kind: EntityKind; id: string; body: unknown }): value is Change =>
  value.body === null || isRecord(value.body);

/** A thing as it shall be; null where that is no thing. @param body null: it shall be gone */
export function changeOf(kind: EntityKind, id: string, body: unknown): Change | null {
  const change = { kind, id, body };
  return isChange(change) ? change : null;
}
